import * as v from 'valibot';
import type { JobEvent, JobHead, Seal } from '@longbar/core';
import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import { wrongField } from '../../requestError';
import { standingOf } from './arrival';
import { journalGrew } from '../stale';
import type { Database } from '../sql/database';
import { truth } from '../sql/columns';
import { notHere } from '../yard/notHere';
import { readSheet } from '../yard/sheets';
import { headOf } from './jobHead';
import { jobRow } from '../yard/jobRow';
import { attachedTo, lackingBlobs } from './blobs';
import { sealOf } from './seal';
import { signatureOn } from './signatures';

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
