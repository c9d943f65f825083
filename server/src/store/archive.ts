import type { ArchiveLine, LineIssue } from '@longbar/core';
import { ARCHIVE_FORMAT, ignore, parseArchive } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import { recordOfJob } from '../record/recordOfJob';
import { RequestError } from '../requestError';
import { sha256 } from './blobs';
import { forget } from './changes';
import type { Database } from './database';
import { headOf } from './jobHead';
import { canonical } from './seal';
import { readShop, writeShop } from './shop';

const PAGE = 1000;

/** The whole shop as lines of an archive, in the order that `parseArchive` asks for. */
export async function* archiveLines(db: Database): AsyncGenerator<string> {
  const write = (line: ArchiveLine) => `${canonical(line)}\n`;
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
  for (let after = 0; ;) {
    const rows = await tables.events.findAll({
      where: { serial: { [Op.gt]: after } },
      order: ['serial'],
      limit: PAGE,
    });
    for (const row of rows) {
      const { body, receivedAt, late } = row.get();
      yield write({ type: 'event', event: body, receivedAt, ...(late && { late }) });
    }
    if (rows.length < PAGE) break;
    after = rows[rows.length - 1]?.get().serial ?? after;
  }
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

/** What an archive holds, by kind of line. */
export type ArchiveCounts = Record<string, number>;

/**
 * Takes an archive into an empty shop, all of it or nothing; with `preview` nothing at all.
 * Answers what it holds. Throws RequestError 400 with the line of each mistake.
 */
export async function takeArchive(
  db: Database,
  text: string,
  preview: boolean,
): Promise<ArchiveCounts> {
  const parsed = parseArchive(text);
  if (!parsed.ok) throw refusal(parsed.issues);
  const { lines } = parsed;
  const changed = lines.flatMap((line, i): LineIssue[] => {
    if (line.type !== 'blob' || sha256(Buffer.from(line.base64, 'base64')) === line.sha256)
      return [];
    return [{ line: i + 1, path: 'base64', message: 'These bytes have another hash.' }];
  });
  if (changed.length > 0) throw refusal(changed);
  if (!preview) {
    await db.write(async (transaction) => {
      const { machines, sheets } = db.tables;
      const kept = (await machines.count({ transaction })) + (await sheets.count({ transaction }));
      if (kept > 0) {
        throw new RequestError(
          409,
          'An archive is imported into an empty shop only. This one is not.',
        );
      }
      await keep(db, lines, transaction);
    });
  }
  const counts: ArchiveCounts = {};
  for (const { type } of lines) counts[type] = (counts[type] ?? 0) + 1;
  return counts;
}

function refusal(issues: readonly LineIssue[]): RequestError {
  const told = issues.map(({ line, path, message }) => ({
    path: path === '' ? `line ${line}` : `line ${line}: ${path}`,
    message,
  }));
  const first = told[0];
  return new RequestError(400, `Nothing was imported. ${first?.path}: ${first?.message}`, told);
}

async function keep(
  db: Database,
  lines: readonly ArchiveLine[],
  transaction: Transaction,
): Promise<void> {
  const { tables } = db;
  const of = <T extends ArchiveLine['type']>(type: T) =>
    lines.filter((line): line is Extract<ArchiveLine, { type: T }> => line.type === type);
  const [shop] = of('shop');
  if (shop) await writeShop(db, shop.shop, transaction);
  const sheets = of('sheet').map(({ type: _, ...row }) => ({
    ...row,
    document: row.document as never,
    retiredAt: row.retiredAt ?? null,
  }));
  const newestOf = (id: string) =>
    Math.max(...sheets.filter((sheet) => sheet.id === id).map(({ revision }) => revision));
  await tables.sheets.bulkCreate(sheets, { transaction });
  await tables.machines.bulkCreate(
    of('machine').map(({ type: _, ...row }) => ({
      ...row,
      about: row.about ?? null,
      retiredAt: row.retiredAt ?? null,
      added: row.added ?? null,
      sheetRevision: row.sheetRevision ?? newestOf(row.sheet),
    })),
    { transaction },
  );
  await tables.hours.bulkCreate(
    of('hours').map(({ type: _, ...row }) => ({
      ...row,
      job: row.job ?? null,
      was: row.was ?? null,
      takenBack: row.takenBack ?? null,
      replaced: row.replaced ?? null,
    })),
    { transaction },
  );
  const events = of('event');
  const jobs = of('job').map(({ head, sheet, seal }) => ({ ...head, sheet, seal }));
  await tables.jobs.bulkCreate(jobs, { transaction });
  await tables.events.bulkCreate(
    events.map(({ event, receivedAt, late = false }) => ({
      id: event.id,
      job: event.job,
      n: event.n,
      body: event,
      receivedAt,
      late,
    })),
    { transaction },
  );
  await tables.blobs.bulkCreate(
    of('blob').map(({ sha256: hash, blobType, receivedAt, base64 }) => ({
      sha256: hash,
      type: blobType,
      receivedAt,
      body: Buffer.from(base64, 'base64'),
    })),
    { transaction },
  );
  await forget(db, transaction);
}
