import type { JobEvent } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError } from '../../requestError';
import type { Database, OfShop } from '../sql/database';
import type { Dialect } from '../sql/dialect';
import type { JobRow } from '../sql/tables';
import { journalGrew } from '../stale';
import { notHere } from '../yard/notHere';
import { afterSigning } from './afterSigning';
import type { Judged } from './arrival';
import { judgeArrival, receiving, refuseMisfits } from './arrival';
import { holdsMore } from './heldByJob';
import type { Append } from './together';
import { Together } from './together';

/**
 * Keeps events of one job, all or none, each once however often it comes. Answers the ids
 * only when they are on disk. `person` is the name of whose phone they come from.
 */
export async function appendEvents(
  db: Database,
  job: string,
  events: readonly JobEvent[],
  now: string,
  person: string | null = null,
): Promise<string[]> {
  const append = { job, events, at: now, person };
  // A signature changes what jobs share, as the drawer of shims: it has the shop for itself.
  if (events.some(({ type }) => type === 'job.signed')) {
    await db.write(async (transaction) => {
      const [refused] = await keepAppends(db, [append], transaction);
      if (refused) throw refused;
    });
  } else await togetherOf(db).append(append);
  return events.map(({ id }) => id);
}

const gathering = new WeakMap<Database, Together>();

function togetherOf(db: Database): Together {
  const known = gathering.get(db);
  if (known) return known;
  const made = new Together((appends) =>
    db.write((transaction) => keepAppends(db, appends, transaction), {
      jobs: appends.map(({ job }) => job),
    }),
  );
  gathering.set(db, made);
  return made;
}

/** Keeps what fits of different jobs. Answers why each was refused, if it was. */
async function keepAppends(
  db: Database,
  appends: readonly Append[],
  transaction: Transaction,
): Promise<(RequestError | undefined)[]> {
  const jobs = await receiving(db, appends, transaction);
  const arrivals: Arrival[] = [];
  const refused: (RequestError | undefined)[] = [];
  for (const append of appends) {
    const job = jobs.get(append.job);
    try {
      if (!job) throw await notHere(db, 'job', append.job, transaction);
      const known = await refuseMisfits(db, job, append.events, transaction);
      const fresh = new Map(append.events.filter(({ id }) => !known.has(id)).map((e) => [e.id, e]));
      if (fresh.size > 0) arrivals.push({ ...append, job, events: [...fresh.values()] });
      refused.push(undefined);
    } catch (error) {
      if (!(error instanceof RequestError)) throw error;
      refused.push(error);
    }
  }
  await keepArrivals(db, arrivals, transaction);
  // Nobody reads one anew meanwhile: that takes the whole shop, and this holds a part of it.
  const grown = arrivals.filter(({ job }) => jobs.get(job.id)?.isStale === false);
  for (const { job } of grown) await journalGrew(db, job, transaction);
  return refused;
}

/** Events that are new to their job. */
export type Arrival = Omit<Append, 'job'> & { job: JobRow };

/**
 * Keeps what is new to each job; with the signature a job gets its seal. Whoever calls it sees to it
 * that what is read of these jobs is old by then.
 */
export async function keepArrivals(
  db: Database,
  arrivals: readonly Arrival[],
  transaction: Transaction,
): Promise<void> {
  const judged: (Arrival & Judged)[] = [];
  for (const each of arrivals) {
    judged.push({ ...each, ...(await judgeArrival(db, each.job, each.events, transaction)) });
  }
  const rows = judged.flatMap(({ job, events, at, late, person }) =>
    events.map((event) => [
      ...[event.id, job.id, event.n, JSON.stringify(event)],
      ...[at, late.has(event.id), person],
    ]),
  );
  if (rows.length === 0) return;
  await db.run(append(db.dialect), [JSON.stringify(rows)], transaction);
  for (const { job, events, seal } of judged) {
    holdsMore(db, job.id, events.length);
    if (seal === job.seal) continue;
    const sealed = 'UPDATE jobs SET seal = $1 WHERE shop = $shop AND id = $2';
    await db.run(sealed, [seal, job.id], transaction);
    if (job.seal === null && seal !== null) await afterSigning(db, job, transaction);
  }
}

/** All events of all jobs in one statement: each of its own costs more than the writing. */
const append = ({ cell, elements }: Dialect): OfShop =>
  `INSERT INTO events (shop, id, job, n, body, receivedAt, late, person)
   SELECT $shop, ${cell(0)}, ${cell(1)}, ${cell(2, 'whole')}, ${cell(3)}, ${cell(4)},
     ${cell(5, 'truth')}, ${cell(6)}
   FROM ${elements('$1')}`;
