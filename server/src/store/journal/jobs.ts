import * as v from 'valibot';
import type { JobEvent, JobHead, Seal } from '@longbar/core';
import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import { wrongField } from '../../requestError';
import { judgeArrival, receiving, refuseMisfits, standingOf } from './arrival';
import { journalGrew } from '../stale';
import type { Database, OfShop } from '../sql/database';
import { truth } from '../sql/columns';
import type { Dialect } from '../sql/dialect';
import { notHere } from '../yard/notHere';
import { readSheet } from '../yard/sheets';
import { holdsMore } from './heldByJob';
import { headOf } from './jobHead';
import { jobRow } from '../yard/jobRow';
import { attachedTo, lackingBlobs } from './blobs';
import { afterSigning } from './afterSigning';
import { sealOf } from './seal';
import { signatureOn } from './signatures';
import type { JobRow } from '../sql/tables';

const PAGE = 500;
/** Characters of one page. */
const LARGEST_PAGE = 1_000_000;

/** Begins a job. The same one again changes nothing and answers the same. */
export async function beginJob(
  db: Database,
  head: JobHead,
): Promise<{ head: JobHead; made: boolean }> {
  const machine = await db.tables.machines.findByPk(head.machine);
  if (!machine) throw await notHere(db, 'machine', head.machine);
  const { sheet: own, ...told } = head;
  const sheet = own ?? machine.get().sheet;
  const known = await readSheet(db, sheet, head.sheetRevision);
  if (!known) {
    throw wrongField('sheetRevision', `The machine’s sheet has no revision ${head.sheetRevision}.`);
  }
  return db.write(async (transaction) => {
    const before = await db.tables.jobs.findByPk(head.id, { transaction });
    if (before) {
      if (isDeepStrictEqual(headOf(before.get()), told)) return { head, made: false };
      throw wrongField('id', 'A different job has this id already.', 409);
    }
    await keepJob(db, head, sheet, transaction);
    return { head, made: true };
  });
}

/** Keeps the head of a job that nobody has begun yet. */
export async function keepJob(
  db: Database,
  head: JobHead,
  sheet: string,
  transaction: Transaction,
): Promise<void> {
  await db.tables.jobs.create({ ...head, sheet, seal: null }, { transaction });
  await journalGrew(db, head, transaction);
}

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
  // A signature changes what jobs share, as the drawer of shims: it has the shop for itself.
  const signs = events.some(({ type }) => type === 'job.signed');
  await db.write(
    async (transaction) => {
      const row = await receiving(db, job, events, transaction);
      if (!row) throw await notHere(db, 'job', job, transaction);
      const known = await refuseMisfits(db, row, events, transaction);
      const fresh = new Map(events.filter(({ id }) => !known.has(id)).map((e) => [e.id, e]));
      if (fresh.size > 0) {
        await keepEvents(db, row, [...fresh.values()], now, transaction, person);
        // Nobody reads it anew meanwhile: that takes the whole shop, and this holds a part of it.
        if (!row.isStale) await journalGrew(db, row, transaction);
      }
    },
    signs ? undefined : { job },
  );
  return events.map(({ id }) => id);
}

/**
 * Keeps events that are new to their job; with the signature the job gets its seal. Whoever calls it
 * sees to it that what is read of the job is old by then.
 */
export async function keepEvents(
  db: Database,
  job: JobRow,
  events: readonly JobEvent[],
  now: string,
  transaction: Transaction,
  person: string | null = null,
): Promise<void> {
  const { late, seal } = await judgeArrival(db, job, events, transaction);
  const rows = events.map((event) => [
    event.id,
    event.n,
    JSON.stringify(event),
    late.has(event.id),
  ]);
  await db.run(append(db.dialect), [job.id, now, person, JSON.stringify(rows)], transaction);
  holdsMore(db, job.id, events.length);
  if (seal === job.seal) return;
  const sealed = 'UPDATE jobs SET seal = $1 WHERE shop = $shop AND id = $2';
  await db.run(sealed, [seal, job.id], transaction);
  if (job.seal === null && seal !== null) await afterSigning(db, job, transaction);
}

/** All events of a batch in one statement: each of its own costs more than the writing. */
const append = ({ cell, elements }: Dialect): OfShop =>
  `INSERT INTO events (shop, id, job, n, body, receivedAt, late, person)
   SELECT $shop, ${cell(0)}, $1, ${cell(1, 'whole')}, ${cell(2)}, $2, ${cell(3, 'truth')}, $3
   FROM ${elements('$4')}`;

const PageRowSchema = v.object({
  id: v.string(),
  serial: v.number(),
  late: truth,
  body: v.string(),
});
type PageRow = v.InferOutput<typeof PageRowSchema>;

/** A page of the journal in the order of arrival, after a serial; `serial` is the last. */
export async function readEvents(db: Database, job: string, after: number) {
  await jobRow(db, job);
  const found = await db.rows(
    PageRowSchema,
    `SELECT id, serial, late, CAST(body AS TEXT) AS body FROM events
     WHERE shop = $shop AND job = $1 AND serial > $2 AND ${db.dialect.isJson('body')}
     ORDER BY serial LIMIT ${PAGE}`,
    [job, after],
  );
  const rows = found.slice(0, fitting(found));
  const late = rows.filter((row) => row.late).map(({ id }) => id);
  // What is no JSON any more keeps nobody from the rest: the nightly look names it.
  const events = rows.map(({ body }): JobEvent => JSON.parse(body));
  const lacking = await lackingBlobs(db, events.flatMap(attachedTo));
  return {
    events,
    serial: rows.at(-1)?.serial ?? after,
    ...(late.length > 0 && { late }),
    ...(lacking.length > 0 && { lacking }),
    more: rows.length < found.length || found.length === PAGE,
  };
}

/** How many of these go into one page: at least one, and no more than a phone takes at once. */
function fitting(rows: readonly PageRow[]): number {
  let size = 0;
  const tooMuch = rows.findIndex(({ body }) => (size += body.length) > LARGEST_PAGE);
  return tooMuch < 0 ? rows.length : Math.max(1, tooMuch);
}

/** Whose names were used on others' phones, and how often. */
function otherHands(db: Database, job: string): Promise<Seal['hands']> {
  const { field, isJson } = db.dialect;
  return db.rows(
    v.object({ by: v.string(), phone: v.string(), entries: v.number() }),
    `SELECT ${field('body', 'by')} AS "by", person AS phone, count(*) AS entries
     FROM events
     WHERE shop = $shop AND job = $1 AND NOT late AND ${isJson('body')}
       AND person <> ${field('body', 'by')}
     GROUP BY 1, 2 ORDER BY 1, 2`,
    [job],
  );
}

/** The seal of a job as it was signed, whether its events still have it, and who signed it. */
export async function checkSeal(db: Database, id: string): Promise<Seal> {
  const job = await jobRow(db, id);
  const now = sealOf(await standingOf(db, id));
  const signature = await signatureOn(db, job);
  const hands = await otherHands(db, id);
  return { seal: job.seal, holds: job.seal !== null && job.seal === now, signature, hands };
}
