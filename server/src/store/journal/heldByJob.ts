import type { Transaction } from 'sequelize';
import * as v from 'valibot';
import type { Database } from '../sql/database';

/** So often what a job holds is counted: each time would cost more than all else as it grows. */
const COUNTED = 100;
/** So many jobs are remembered. */
const REMEMBERED = 500;
/** What other processes are told, which count it too. */
const HELD = 'held';

type Held = { many: number; times: number };
const counts = new WeakMap<Database, Map<string, Held>>();

function countsOf(db: Database): Map<string, Held> {
  const known = counts.get(db);
  if (known) return known;
  const jobs = new Map<string, Held>();
  counts.set(db, jobs);
  db.others.hear(
    HELD,
    v.string(),
    (job) => jobs.delete(job),
    () => jobs.clear(),
  );
  return jobs;
}

/** How many entries a job holds. */
export async function heldBy(db: Database, job: string, transaction: Transaction): Promise<number> {
  const jobs = countsOf(db);
  const known = jobs.get(job);
  if (known && known.times++ < COUNTED) return known.many;
  const [counted] = await db.rows(
    v.object({ many: v.number() }),
    'SELECT count(*) AS many FROM events WHERE shop = $shop AND job = $1',
    [job],
    transaction,
  );
  const many = counted?.many ?? 0;
  jobs.set(job, { many, times: 0 });
  const [oldest] = jobs.keys();
  if (jobs.size > REMEMBERED && oldest !== undefined) jobs.delete(oldest);
  return many;
}

/** A job holds so many entries more; other processes count it anew. */
export function holdsMore(db: Database, job: string, many: number): void {
  const known = countsOf(db).get(job);
  if (known) known.many += many;
  db.others.tell(HELD, job);
}
