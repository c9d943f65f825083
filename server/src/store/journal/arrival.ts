import * as v from 'valibot';
import type { EngineSheet, EventOf, Issue, JobEvent } from '@longbar/core';
import {
  adjustersOf,
  BARRING_METHODS,
  begunOf,
  canonical,
  foldJob,
  inOrder,
  maySign,
  settingOf,
} from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError } from '../../requestError';
import type { Database } from '../sql/database';
import { heldBy } from './heldByJob';
import { headOf } from './jobHead';
import { sealOf, signatureIn } from './seal';
import { readSheet } from '../yard/sheets';
import { readShop } from '../yard/shop';
import type { JobRow } from '../sql/tables';

/** How far above the highest number held an event may stand: two phones apart are never so far. */
const FARTHEST = 10_000;

/** What a job holds at most: a long one has a thousand, and more only keeps the server busy. */
const MOST_OF_JOB = 10_000;

/** Each signature is judged by the whole journal: so many come at a time. */
const MOST_SIGNATURES = 3;

/**
 * Checks what arrives against its job, which holds so many events, and what is kept of it. Answers the ids that are kept
 * already. Throws RequestError with the place of each event that does not fit; nothing is kept.
 */
export async function refuseMisfits(
  db: Database,
  job: Receiving,
  events: readonly JobEvent[],
  transaction: Transaction,
): Promise<Set<string>> {
  const kept: Kept = new Map(job.kept.map((row) => [row.id, row]));
  const fresh = events
    .map((event, place) => ({ event, place }))
    .filter(({ event }) => !kept.has(event.id));
  const issues = [
    ...changedAmong(job.id, events, kept),
    ...(await tooFar(db, job.id, fresh, transaction)),
    ...(await withoutAdjuster(db, job.sheet, fresh, transaction)),
  ];
  const [first] = issues;
  if (first) throw new RequestError(409, first.message, issues);
  refuseTooMuch(job.held, fresh);
  return new Set(kept.keys());
}

/** What is too much waits on its phone: nothing of it is wrong. */
function refuseTooMuch(held: number, fresh: readonly Placed[]): void {
  if (fresh.filter(({ event }) => isSigning(event)).length > MOST_SIGNATURES) {
    throw new RequestError(413, `Send at most ${MOST_SIGNATURES} signatures at a time.`);
  }
  if (fresh.length > 0 && held + fresh.length > MOST_OF_JOB) {
    throw new RequestError(403, 'A job holds 10,000 entries at most. Begin another job.');
  }
}

type KeptEvent = { id: string; job: string; body: string };
type Kept = Map<string, KeptEvent>;

/**
 * A job as it stands when events come to it: how many it holds, which of all that come are kept, and
 * whether what is read of it is old already.
 */
export type Receiving = JobRow & { held: number; kept: KeptEvent[]; isStale: boolean };

const ReceivedSchema = v.object({
  id: v.string(),
  machine: v.string(),
  sheet: v.string(),
  sheetRevision: v.number(),
  method: v.picklist(BARRING_METHODS),
  at: v.string(),
  by: v.string(),
  seal: v.nullable(v.string()),
  stale: v.nullable(v.number()),
  keptId: v.nullable(v.string()),
  keptJob: v.nullable(v.string()),
  keptBody: v.nullable(v.string()),
});

/** The jobs that events come to, by id, in one question: each costs as much as a row that is kept. */
export async function receiving(
  db: Database,
  appends: readonly { job: string; events: readonly JobEvent[] }[],
  transaction: Transaction,
): Promise<Map<string, Receiving>> {
  const ids = appends.flatMap(({ events }) => events.map(({ id }) => id));
  const rows = await db.rows(
    ReceivedSchema,
    `SELECT jobs.id, jobs.machine, jobs.sheet, jobs.sheetRevision, jobs.method, jobs.at, jobs.by,
       jobs.seal, stale, known.id AS keptId, known.job AS keptJob,
       CAST(known.body AS TEXT) AS keptBody
     FROM jobs LEFT JOIN events AS known ON known.shop = $shop AND known.id ${db.dialect.inList('$1')}
     LEFT JOIN job_reads ON job_reads.shop = $shop AND job_reads.job = jobs.id
     WHERE jobs.shop = $shop AND jobs.id ${db.dialect.inList('$2')}`,
    [JSON.stringify(ids), JSON.stringify(appends.map(({ job }) => job))],
    transaction,
  );
  const jobs = new Map<string, Receiving>();
  for (const { keptId, keptJob, keptBody, stale, ...row } of rows) {
    const kept = keptId === null ? [] : [{ id: keptId, job: keptJob ?? '', body: keptBody ?? '' }];
    const before = jobs.get(row.id);
    if (before) before.kept.push(...kept);
    else {
      const held = await heldBy(db, row.id, transaction);
      jobs.set(row.id, { ...row, held, kept, isStale: stale === 1 });
    }
  }
  return jobs;
}

/** An event that comes again is the same again, within the batch too. */
function changedAmong(job: string, events: readonly JobEvent[], kept: Kept): Issue[] {
  const seen = new Map<string, JobEvent>();
  return events.flatMap((event, place): Issue[] => {
    const before = kept.get(event.id);
    const again = seen.get(event.id);
    seen.set(event.id, event);
    const path = `${place}.id`;
    if (before && before.job !== job) {
      return [{ path, message: 'An event of another job has this id.' }];
    }
    const known = before ? JSON.parse(before.body) : again;
    if (known === undefined || canonical(known) === canonical(event)) return [];
    return [{ path, message: 'An event with this id is kept already, and says something else.' }];
  });
}

type Placed = { event: JobEvent; place: number };

/** An event with a number far above all others would end the job for everyone. */
async function tooFar(
  db: Database,
  job: string,
  fresh: readonly Placed[],
  transaction: Transaction,
): Promise<Issue[]> {
  if (!fresh.some(({ event }) => event.n > FARTHEST)) return [];
  const [held] = await db.rows(
    v.object({ n: v.nullable(v.number()) }),
    'SELECT max(n) AS n FROM events WHERE shop = $shop AND job = $1',
    [job],
    transaction,
  );
  const most = (held?.n ?? 0) + FARTHEST;
  return fresh
    .filter(({ event }) => event.n > most)
    .map(({ place }) => ({
      path: `${place}.n`,
      message: `n is at most ${FARTHEST} above the highest of the job.`,
    }));
}

const adjustersBySheet = new WeakMap<Database, Map<string, Set<string>>>();

/** An adjuster is one that any revision of the job's sheet has. */
async function withoutAdjuster(
  db: Database,
  sheet: string,
  fresh: readonly Placed[],
  transaction: Transaction,
): Promise<Issue[]> {
  const named = fresh.flatMap(({ event, place }) => namedBy(event).map((id) => ({ id, place })));
  const bySheet = adjustersBySheet.get(db) ?? new Map<string, Set<string>>();
  adjustersBySheet.set(db, bySheet);
  const isKnown = ({ id }: { id: string }) => bySheet.get(sheet)?.has(id) === true;
  if (named.every(isKnown)) return [];
  // A revision may have been published since.
  bySheet.set(sheet, await adjustersOfAll(db, sheet, transaction));
  return named
    .filter((each) => !isKnown(each))
    .map(({ id, place }) => ({
      path: `${place}.adjuster`,
      message: `No revision of this engine’s sheet has ${id}.`,
    }));
}

const NamingSchema = v.object({
  adjuster: v.optional(v.string()),
  adjusters: v.optional(v.array(v.string())),
});

function namedBy(event: JobEvent): string[] {
  const named = v.safeParse(NamingSchema, event);
  const { adjuster, adjusters = [] } = named.success ? named.output : {};
  return adjuster === undefined ? adjusters : [adjuster, ...adjusters];
}

async function adjustersOfAll(
  db: Database,
  sheet: string,
  transaction: Transaction,
): Promise<Set<string>> {
  const rows = await db.tables.sheets.findAll({ where: { id: sheet }, transaction });
  const documents = rows.map((row): EngineSheet | null => row.get().document);
  return new Set(
    documents.flatMap((document) => (document ? adjustersOf(document).map(({ id }) => id) : [])),
  );
}

/** What of the events that arrive counts: those that are late, and the seal if they sign the job. */
export type Judged = { late: Set<string>; seal: string | null };

/**
 * Judges what arrives, in its order. A signature counts where core says that all it vouches for was
 * done when it was given; it is judged once. Whatever comes to a job that is signed is late, save an
 * addition to its record.
 */
export async function judgeArrival(
  db: Database,
  job: JobRow,
  events: readonly JobEvent[],
  transaction: Transaction,
): Promise<Judged> {
  const late = new Set<string>();
  if (job.seal === null && !events.some(isSigning)) return { late, seal: null };
  const standing = await standingOf(db, job.id, transaction);
  let { seal } = job;
  for (const event of events) {
    const signature = seal === null ? undefined : signatureIn(standing);
    const added = event.type === 'record.amended' && event.n > (signature?.n ?? 0);
    if (seal !== null && !added) late.add(event.id);
    else if (isSigning(event) && !(await counts(db, job, standing, event, transaction))) {
      late.add(event.id);
    } else standing.push(event);
    if (seal === null && isSigning(event)) seal = sealOf(standing);
  }
  return { late, seal };
}

function isSigning(event: JobEvent): event is EventOf<'job.signed'> {
  return event.type === 'job.signed';
}

/** The events of a job that count, in no order. */
export async function standingOf(
  db: Database,
  job: string,
  transaction?: Transaction,
): Promise<JobEvent[]> {
  const rows = await db.rows(
    v.object({ body: v.string() }),
    `SELECT CAST(body AS TEXT) AS body FROM events
     WHERE shop = $shop AND job = $1 AND NOT late AND ${db.dialect.isJson('body')}`,
    [job],
    transaction,
  );
  return rows.map(({ body }): JobEvent => JSON.parse(body));
}

/** Whether a signature counts: by what stands before it, for that is what it seals. */
async function counts(
  db: Database,
  job: JobRow,
  events: readonly JobEvent[],
  signature: EventOf<'job.signed'>,
  transaction: Transaction,
): Promise<boolean> {
  const sheet = await readSheet(db, job.sheet, job.sheetRevision, transaction);
  if (!sheet) throw new Error(`Job ${job.id} has lost its sheet.`);
  const shop = await readShop(db, transaction);
  const begun = begunOf({ head: headOf(job), sheet: sheet.document, shop });
  const journal = inOrder([...events, signature]);
  const state = foldJob(journal.slice(0, journal.indexOf(signature)));
  // By its own time: a phone that was offline for days signed when the work was done.
  return maySign(settingOf(begun, state), state, signature.at, signature);
}
