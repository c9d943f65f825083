import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { Logger } from 'pino';
import type { Database } from './store/database';
import { isDriftDue } from './store/drift';

/** After the start, ms: the first phones are served before. */
const FIRST = 5000;
/** The hour of the night it is worked out at. */
const HOUR = 2;

/**
 * Works out the drift of the yard soon after the start and then every night. Answers what ends
 * it, and waits until it has.
 */
export function driftEveryNight(db: Database, folder: string, logger: Logger): () => Promise<void> {
  let child: ChildProcess | undefined;
  let ended = false;
  const work = async () => {
    // Most starts find all of it worked out: no process is begun for nothing.
    if (child || !(await isDriftDue(db)) || ended) return;
    child = workOutDrift(folder);
    child.once('exit', (code) => {
      child = undefined;
      if (code) logger.error(`The drift of the yard could not be worked out (${code}).`);
    });
  };
  const begin = () => void work().catch((error) => logger.error(error));
  const timer = setTimeout(begin, FIRST);
  const night = setInterval(() => {
    // Looked at every hour: a clock that was put right is followed.
    if (new Date().getHours() === HOUR) begin();
  }, 3_600_000);
  return async () => {
    ended = true;
    clearTimeout(timer);
    clearInterval(night);
    const running = child;
    if (!running) return;
    running.removeAllListeners('exit');
    await new Promise((resolve) => {
      running.once('exit', resolve);
      running.kill();
    });
  };
}

/** The drift of the yard in a process of its own, which gives way to everything else. */
export function workOutDrift(folder: string): ChildProcess {
  // Built, this stands beside it under another ending than in the sources.
  const ending = import.meta.url.endsWith('.mjs') ? 'mjs' : 'ts';
  const script = fileURLToPath(new URL(`./nightly.${ending}`, import.meta.url));
  const child = fork(script, [folder], { stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
  if (child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_LOW);
  return child;
}
