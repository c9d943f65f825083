import type { Database } from './database';
import { forget } from './changes';
import { settleDrift } from './drift';
import { settleJobs } from './jobReads';
import { settleMachines } from './machineReads';

type Settling = { present: Promise<unknown>; next: Promise<void> | undefined };
const settling = new WeakMap<Database, Settling>();

/**
 * Brings what is derived up to date with the journal, the readings and the day. All who ask
 * while one run is under way share the next, which sees what they wrote.
 */
export function settle(db: Database, today: string): Promise<void> {
  const state = settling.get(db) ?? { present: Promise.resolve(), next: undefined };
  settling.set(db, state);
  state.next ??= state.present
    .catch(() => undefined)
    .then(() => {
      state.next = undefined;
      const run = settleJobs(db).then(() => settleMachines(db, today));
      state.present = run;
      return run;
    })
    .then(() => undefined);
  return state.next;
}

/** Works out all that is derived anew, from what was written down alone: the same bytes again. */
export async function rebuild(
  db: Database,
  today: string,
  said: (what: string, done: number) => void = () => undefined,
): Promise<void> {
  await db.write((transaction) => forget(db, transaction));
  await settleJobs(db, (done) => said('jobs', done));
  await settleDrift(db, (done) => said('machines’ drift', done));
  await settleMachines(db, today, (done) => said('machines', done));
}
