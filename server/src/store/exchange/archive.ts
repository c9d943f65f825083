import * as v from 'valibot';
import { createHash } from 'node:crypto';
import type { ArchiveLine, JobEvent } from '@longbar/core';
import { ARCHIVE_FORMAT, canonical, ignore, localDay } from '@longbar/core';
import { recordOfJob } from '../../record/recordOfJob';
import { truth } from '../sql/columns';
import type { Database } from '../sql/database';
import { settle } from '../derived/readTables';
import { headOf } from '../journal/jobHead';
import { listKeys } from '../journal/keys';
import { readShop } from '../yard/shop';
import { readSignature } from '../journal/signatures';

const PAGE = 1000;

/**
 * The whole shop as lines of an archive, as it is when the first is asked for, while others write on;
 * the last says how many came before, and their hash.
 */
export async function* archiveLines(db: Database): AsyncGenerator<string> {
  const shop = await settledAsItIs(db);
  const hash = createHash('sha256');
  let lines = 0;
  try {
    for await (const line of contents(shop.db)) {
      hash.update(line);
      lines += 1;
      yield line;
    }
  } finally {
    await shop.end();
  }
  yield write({ type: 'end', lines, sha256: hash.digest('hex') });
}

/** So often a moment is looked for at which no signed check has still to be worked out. */
const TRIES = 5;

/** The shop as it is, once what is derived from its signed checks is up to date. */
async function settledAsItIs(db: Database): ReturnType<Database['asItIs']> {
  for (let tries = 1; ; tries++) {
    await settle(db, localDay(new Date()));
    const shop = await db.asItIs();
    if (tries === TRIES || !(await hasOldCheck(shop.db))) return shop;
    await shop.end();
  }
}

function write(line: ArchiveLine): string {
  return `${canonical(line)}\n`;
}

function hasOldCheck(db: Database): Promise<boolean> {
  return db.some(
    `SELECT job FROM job_reads JOIN jobs ON jobs.shop = job_reads.shop AND jobs.id = job
     WHERE job_reads.shop = $shop AND stale = 1 AND seal IS NOT NULL`,
  );
}

/** What there is, in the order in which an archive is read. */
async function* contents(db: Database): AsyncGenerator<string> {
  const { tables } = db;
  yield write({ type: 'archive', format: ARCHIVE_FORMAT });
  if ((await tables.shops.count()) > 0) yield write({ type: 'shop', shop: await readShop(db) });
  const sheets = await tables.sheets.findAll({ order: ['id', 'revision'] });
  for (const row of sheets) {
    const { retiredAt, ...sheet } = row.get();
    yield write({ type: 'sheet', ...sheet, ...(retiredAt && { retiredAt }) });
  }
  const machines = await tables.machines.findAll({ order: ['id'] });
  for (const row of machines) {
    const { about, ...machine } = row.get();
    yield write({ type: 'machine', ...machine, about: about ?? {} });
  }
  const hours = await tables.hours.findAll({ order: ['serial'] });
  for (const row of hours) {
    const { machine, date, hours: shown, job, was, takenBack, replaced } = row.get();
    yield write({
      type: 'hours',
      machine,
      date,
      hours: shown,
      ...(job && { job }),
      ...(was && { was }),
      ...(takenBack && { takenBack }),
      ...(replaced && { replaced }),
    });
  }
  const jobs = await tables.jobs.findAll({ order: ['at', 'id'] });
  for (const row of jobs) {
    const job = row.get();
    yield write({ type: 'job', head: headOf(job), sheet: job.sheet, seal: job.seal });
  }
  yield* journals(db);
  yield* proofs(db);
  for (const row of jobs) {
    const { id, seal } = row.get();
    if (seal === null) continue;
    const known = await recordOfJob(db, id).catch(
      ignore('a job that cannot be worked out is named under Shop'),
    );
    if (known) yield write({ type: 'record', job: id, record: known.record });
  }
  const blobs = await tables.blobs.findAll({ attributes: ['sha256'], order: ['sha256'] });
  for (const { sha256: hash } of blobs.map((row) => row.get())) {
    const blob = (await tables.blobs.findByPk(hash))?.get();
    if (!blob) continue;
    const { type: blobType, receivedAt, body } = blob;
    const base64 = body.toString('base64');
    yield write({ type: 'blob', sha256: hash, blobType, receivedAt, base64 });
  }
}

const EntrySchema = v.object({
  serial: v.number(),
  body: v.string(),
  receivedAt: v.string(),
  late: truth,
});

/** All entries in the order in which they arrived; what is no JSON any more, the nightly look names. */
async function* journals(db: Database): AsyncGenerator<string> {
  // The plus keeps SQLite from the index of the shop: by that it sorts all its entries for each page.
  const page = `SELECT serial, CAST(body AS TEXT) AS body, receivedAt, late FROM events
    WHERE +shop = $shop AND serial > $1 AND ${db.dialect.isJson('body')}
    ORDER BY serial LIMIT ${PAGE}` as const;
  let rows: v.InferOutput<typeof EntrySchema>[] = [];
  do {
    rows = await db.rows(EntrySchema, page, [rows.at(-1)?.serial ?? 0]);
    for (const { body, receivedAt, late } of rows) {
      const event: JobEvent = JSON.parse(body);
      yield write({ type: 'event', event, receivedAt, ...(late && { late }) });
    }
  } while (rows.length === PAGE);
}

/** The keys of phones, and what they signed. */
async function* proofs(db: Database): AsyncGenerator<string> {
  for (const { key, names, registeredAt } of await listKeys(db)) {
    yield write({ type: 'key', key, names, registeredAt });
  }
  const signed = 'SELECT job FROM signatures WHERE shop = $shop ORDER BY job';
  for (const { job } of await db.rows(v.object({ job: v.string() }), signed)) {
    const signature = await readSignature(db, job).catch(
      ignore('a signature that cannot be read is none'),
    );
    if (signature) yield write({ type: 'signature', ...signature });
  }
}
