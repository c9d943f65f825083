import { ignore } from '@longbar/core';
import { RequestError } from '../../requestError';
import type { Database } from '../sql/database';
import { forget } from '../stale';
import { settleDrift } from './drift';
import { settleJobs, settleSheets } from './jobReads';
import { settleMachines } from './machineReads';
import { databaseTrouble } from '../sql/trouble';

type Settling = {
  present: Promise<void>;
  next: Promise<void> | undefined;
  /** When nothing was left to do: the writes begun by then, the day, and the instant, ms. */
  settled: { writes: number; day: string; at: number } | undefined;
};
const settling = new WeakMap<Database, Settling>();

/** What another process writes, as the drift by night, is looked for this often, ms. */
const OTHERS = 1000;

/**
 * Brings what is derived up to date with the journal, the readings and the day. All who ask
 * while one run is under way share the next, which sees what they wrote. For what another
 * process wrote nobody waits: it is seen by those who ask a little later. A shop as it was stays so.
 */
export function settle(db: Database, day: string): Promise<void> {
  if (db.isPast) return Promise.resolve();
  const state = settling.get(db) ?? {
    present: Promise.resolve(),
    next: undefined,
    settled: undefined,
  };
  settling.set(db, state);
  const { settled } = state;
  const done = settled && settled.day === day && settled.writes === db.writes();
  if (done && Date.now() - settled.at < OTHERS) return Promise.resolve();
  state.next ??= state.present.catch(ignore('who waited for it was told')).then(() => {
    state.next = undefined;
    state.present = run(db, day, state).catch(goOnReading);
    return state.present;
  });
  if (!done) return state.next;
  // Should it fail, the next who has something to wait for is told.
  state.next.catch(ignore('the next who has something to wait for is told'));
  return Promise.resolve();
}

/** Where nothing can be written, reading goes on from what was worked out before. */
function goOnReading(error: unknown): void {
  const damaged = error instanceof RequestError && error.status === 503;
  if (!damaged && databaseTrouble(error) === undefined) throw error;
  ignore('what is derived stays as it was until there is room again')(error);
}

async function run(db: Database, day: string, state: Settling): Promise<void> {
  const writes = db.writes();
  await settleJobs(db);
  await settleSheets(db);
  await settleMachines(db, day);
  state.settled = { writes, day, at: Date.now() };
}

/** Works out all that is derived anew, from what was written down alone: the same bytes again. */
export async function rebuild(
  db: Database,
  today: string,
  said: (what: string, done: number) => void = () => undefined,
): Promise<void> {
  await db.write((transaction) => forget(db, transaction));
  await settleJobs(db, (done) => said('jobs', done));
  await settleSheets(db);
  await settleDrift(db, (done) => said('machines’ drift', done));
  await settleMachines(db, today, (done) => said('machines', done));
}
