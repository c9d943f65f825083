import type { JobContext, JobEvent, JobHead } from '@longbar/core';
import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import { RequestError } from '../requestError';
import type { Database } from './database';
import { readSheet } from './sheets';
import { readShop } from './shop';
import { summarise } from './summary';
import { sealOf } from './seal';
import { lastLeftOf, lockPairsIn, notesOf } from './history';
import type { JobRow } from './tables';

const PAGE = 500;

/** Begins a job. The same one again changes nothing and answers the same. */
export async function beginJob(
  db: Database,
  head: JobHead,
  now: string,
): Promise<{ head: JobHead; made: boolean }> {
  const machine = await db.tables.machines.findByPk(head.machine);
  if (!machine) throw new RequestError(404, 'There is no such machine.');
  const { sheet } = machine.get();
  const known = await readSheet(db, sheet, head.sheetRevision);
  if (!known) {
    const message = `The machine’s sheet has no revision ${head.sheetRevision}.`;
    throw new RequestError(400, message, [{ path: 'sheetRevision', message }]);
  }
  const shop = await readShop(db);
  return db.write(async (transaction) => {
    const before = await db.tables.jobs.findByPk(head.id, { transaction });
    if (before) {
      if (isDeepStrictEqual(headOf(before.get()), head)) return { head, made: false };
      throw new RequestError(409, 'A different job has this id already.');
    }
    const summary = summarise(head, known.document, shop, [], now);
    await db.tables.jobs.create({ ...head, sheet, summary }, { transaction });
    return { head, made: true };
  });
}

export function headOf({ id, machine, method, sheetRevision, at, by }: JobRow): JobHead {
  return { id, machine, method, sheetRevision, at, by };
}

/**
 * Keeps events of one job, all or none, each once however often it comes. Answers the ids
 * only when they are on disk.
 */
export async function appendEvents(
  db: Database,
  job: string,
  events: readonly JobEvent[],
  now: string,
): Promise<string[]> {
  const row = await db.tables.jobs.findByPk(job);
  if (!row) throw new RequestError(404, 'There is no such job.');
  const shop = await readShop(db);
  await db.write(async (transaction) => {
    const known = await refuseForeign(db, job, events, transaction);
    const fresh = new Map(events.filter(({ id }) => !known.has(id)).map((e) => [e.id, e]));
    if (fresh.size === 0) return;
    await db.tables.events.bulkCreate(
      [...fresh.values()].map((body) => ({ id: body.id, job, n: body.n, body, receivedAt: now })),
      { transaction },
    );
    const head = row.get();
    const sheet = await readSheet(db, head.sheet, head.sheetRevision);
    const all = await db.tables.events.findAll({ where: { job }, transaction });
    if (!sheet) throw new Error(`Job ${job} has lost its sheet.`);
    const journal = all.map((event) => event.get().body);
    const summary = {
      ...summarise(headOf(head), sheet.document, shop, journal, now),
      // The seal is set once, when the signature comes, and never after.
      seal: head.summary.seal ?? sealOf(journal),
    };
    await db.tables.jobs.update({ summary }, { where: { id: job }, transaction });
  });
  return events.map(({ id }) => id);
}

/** The ids of these events that are kept already; an id of another job's event is refused. */
async function refuseForeign(
  db: Database,
  job: string,
  events: readonly JobEvent[],
  transaction: Transaction,
): Promise<Set<string>> {
  const ids = events.map(({ id }) => id);
  const kept = await db.tables.events.findAll({
    where: { id: { [Op.in]: ids } },
    attributes: ['id', 'job'],
    transaction,
  });
  const issues = kept
    .filter((row) => row.get().job !== job)
    .map((row) => ({
      path: `${ids.indexOf(row.get().id)}.id`,
      message: 'An event of another job has this id.',
    }));
  if (issues.length > 0) throw new RequestError(400, 'An event belongs to another job.', issues);
  return new Set(kept.map((row) => row.get().id));
}

/** A page of the journal in the order of arrival, after a serial; `serial` is the last. */
export async function readEvents(db: Database, job: string, after: number) {
  if (!(await db.tables.jobs.findByPk(job))) throw new RequestError(404, 'There is no such job.');
  const rows = await db.tables.events.findAll({
    where: { job, serial: { [Op.gt]: after } },
    order: [['serial', 'ASC']],
    limit: PAGE,
  });
  const last = rows[rows.length - 1]?.get().serial ?? after;
  return { events: rows.map((row) => row.get().body), serial: last, more: rows.length === PAGE };
}

/** A job with all that working on it needs: its head, its sheet revision and the shop. */
export async function readJob(db: Database, id: string): Promise<JobContext> {
  const row = await db.tables.jobs.findByPk(id);
  if (!row) throw new RequestError(404, 'There is no such job.');
  const job = row.get();
  const [sheet, machine, shop, earlier, onType] = await Promise.all([
    readSheet(db, job.sheet, job.sheetRevision),
    db.tables.machines.findByPk(job.machine),
    readShop(db),
    jobsBefore(db, job),
    jobsOnType(db, job.sheet),
  ]);
  if (!sheet || !machine) throw new Error(`Job ${id} has lost its sheet or its machine.`);
  return {
    head: headOf(job),
    machineName: machine.get().name,
    sheet: sheet.document,
    shop,
    lastLeft: lastLeftOf(earlier),
    notes: notesOf(earlier),
    lockPairs: lockPairsIn(onType),
  };
}

/** The seal of a job as it was signed, and whether its events still have it. */
export async function checkSeal(db: Database, id: string) {
  const row = await db.tables.jobs.findByPk(id);
  if (!row) throw new RequestError(404, 'There is no such job.');
  const events = await db.tables.events.findAll({ where: { job: id } });
  const seal = row.get().summary.seal ?? null;
  const now = sealOf(events.map((event) => event.get().body));
  return { seal, holds: seal !== null && seal === now };
}

/** How many jobs back one's own hands are told from. */
const RECENT_JOBS = 20;

/** The last jobs on engines of one type, newest first. */
export async function jobsOnType(db: Database, sheet: string): Promise<JobRow[]> {
  const rows = await db.tables.jobs.findAll({
    where: { sheet },
    order: [['at', 'DESC']],
    limit: RECENT_JOBS,
  });
  return rows.map((row) => row.get());
}

/** The jobs at the same machine that began before this one, newest first. */
async function jobsBefore(db: Database, { machine, at }: JobRow): Promise<JobRow[]> {
  const rows = await db.tables.jobs.findAll({
    where: { machine, at: { [Op.lt]: at } },
    order: [['at', 'DESC']],
  });
  return rows.map((row) => row.get());
}
