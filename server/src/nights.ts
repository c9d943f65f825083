import { wallClock } from '@longbar/core';
import * as v from 'valibot';
import type { ChildProcess } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import type { Logger } from 'pino';
import type { Database } from './store/sql/database';
import type { Environment } from './settings';
import { inOwnProcess } from './ownProcess';
import { isDriftDue } from './store/derived/drift';
import { isLookOld } from './store/lastLook';
import { readShop } from './store/yard/shop';
import { allShops } from './store/yard/shops';
import { inShop } from './inShop';

/** What is told by the process of the night. */
const ToldSchema = v.object({ damage: v.string() });

/** After the start, ms: the first phones are served before. */
const FIRST = 5000;
/** The hour of the night at which it is done. */
const HOUR = 2;
const AN_HOUR = 3_600_000;
/** After the start, ms, where the last look through all of it is old. */
const FIRST_LOOK = 120_000;
/** A look is old in hours: at night, where no other process had that night's, and by day. */
const [AT_NIGHT, BY_DAY] = [12, 30];

export type NightWork = {
  /** From here on: soon after the start, then every night. */
  begin(): void;
  /** Now, where a check was signed or what drift rests on was put right: it is worked out at once. */
  look(): void;
  /** Ends it, and waits until it has. */
  end(): Promise<void>;
};

/**
 * Works out the drift of the yard soon after the start, after each signature, and every night, when
 * the whole database is looked through as well; in a workshop whose computer is off at night, some
 * minutes after a start.
 */
export function nightWork(
  db: Database,
  folder: string,
  env: Environment,
  logger: Logger,
): NightWork {
  let child: ChildProcess | undefined;
  let ended = false;
  let again = false;
  const work = async (lookAfter?: number) => {
    again ||= child !== undefined;
    // Most starts find all of it worked out: no process is begun for nothing.
    if (child || !((await mayLook(lookAfter)) || (await isAnyDue(db))) || child || ended) return;
    again = false;
    child = workByNight(folder, env, lookAfter);
    child.on('message', (told) => {
      if (!v.is(ToldSchema, told)) return;
      db.foundDamaged(told.damage);
      logger.error(db.damage());
    });
    child.once('exit', (code) => {
      child = undefined;
      if (code) logger.error(`What is done by night was not finished (${code}).`);
      // What was signed while it ran is not left to the night.
      if (again) start();
    });
  };
  // What is known to be damaged needs no other look, and could not be noted as looked at.
  const mayLook = async (after?: number) =>
    after !== undefined && db.damage() === null && isLookOld(db, new Date(), after);
  const start = (lookAfter?: number) =>
    void work(lookAfter).catch((error: unknown) => logger.error(error));
  const atNight = async () => {
    // Where several shops lie in several time zones, the night is the first one's.
    const { hour } = inShop(await readShop(db), () => wallClock(new Date()));
    start(hour === HOUR ? AT_NIGHT : BY_DAY);
  };
  const timers: NodeJS.Timeout[] = [];
  return {
    begin() {
      timers.push(
        setTimeout(() => start(), FIRST),
        setTimeout(() => start(BY_DAY), FIRST_LOOK),
        // Asked every hour: a clock that was put right is followed.
        setInterval(() => void atNight().catch((error: unknown) => logger.error(error)), AN_HOUR),
      );
    },
    look: () => start(),
    async end() {
      ended = true;
      timers.forEach(clearTimeout);
      const running = child;
      if (!running) return;
      running.removeAllListeners('exit');
      await new Promise((resolve) => {
        running.once('exit', resolve);
        running.kill();
      });
    },
  };
}

/** Whether any shop has drift that is to be worked out. */
async function isAnyDue(db: Database): Promise<boolean> {
  for (const shop of await allShops(db)) {
    if (await isDriftDue(shop)) return true;
  }
  return false;
}

/**
 * What is done by night, in a process of its own, which gives way to everything else; with a look
 * through all of the database where nobody looked for `lookAfter` hours.
 */
export function workByNight(
  folder: string,
  env: Environment = {},
  lookAfter?: number,
): ChildProcess {
  const words = lookAfter === undefined ? [] : [String(lookAfter)];
  const child = inOwnProcess('nightly', [folder, ...words], env);
  if (child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_LOW);
  return child;
}
