import * as v from 'valibot';
import type { ChildProcess } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import type { Logger } from 'pino';
import type { Database } from './store/database';
import { isLookOld } from './lastLook';
import { inOwnProcess } from './ownProcess';
import { isDriftDue } from './store/drift';

/** What is told by the process of the night. */
const ToldSchema = v.object({ damage: v.string() });

/** After the start, ms: the first phones are served before. */
const FIRST = 5000;
/** The hour of the night at which it is done. */
const HOUR = 2;
const AN_HOUR = 3_600_000;
/** After the start, ms, where the last look through all of it is old. */
const FIRST_LOOK = 120_000;

/**
 * Works out the drift of the yard soon after the start and then every night, when the whole
 * database is looked through as well; in a workshop whose computer is off at night, some minutes
 * after a start. Answers what ends it, and waits until it has.
 */
export function workEveryNight(db: Database, folder: string, logger: Logger): () => Promise<void> {
  let child: ChildProcess | undefined;
  let ended = false;
  const work = async (thorough: boolean) => {
    // Most starts find all of it worked out: no process is begun for nothing.
    if (child || !(thorough || (await isDriftDue(db))) || ended) return;
    child = workByNight(folder, thorough);
    child.on('message', (told) => {
      if (!v.is(ToldSchema, told)) return;
      db.foundDamaged(told.damage);
      logger.error(db.damage());
    });
    child.once('exit', (code) => {
      child = undefined;
      if (code) logger.error(`What is done by night was not finished (${code}).`);
    });
  };
  const begin = (thorough: boolean) =>
    void work(thorough).catch((error: unknown) => logger.error(error));
  const timers = [
    setTimeout(() => begin(false), FIRST),
    setTimeout(() => isLookOld(folder, Date.now()) && begin(true), FIRST_LOOK),
  ];
  const night = setInterval(() => {
    // Asked every hour: a clock that was put right is followed.
    if (new Date().getHours() === HOUR || isLookOld(folder, Date.now())) begin(true);
  }, AN_HOUR);
  return async () => {
    ended = true;
    timers.forEach(clearTimeout);
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

/** What is done by night, in a process of its own, which gives way to everything else. */
export function workByNight(folder: string, thorough = false): ChildProcess {
  const child = inOwnProcess('nightly', [folder, ...(thorough ? ['thorough'] : [])]);
  if (child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_LOW);
  return child;
}
