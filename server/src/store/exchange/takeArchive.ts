import { createHash } from 'node:crypto';
import type { ArchiveLine, LineIssue } from '@longbar/core';
import { ArchiveReader } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError } from '../../requestError';
import { sha256 } from '../journal/blobs';
import { forget } from '../stale';
import type { Database } from '../sql/database';
import { keepKey } from '../journal/keys';
import { writeShop } from '../yard/shop';
import { insertSignature } from '../journal/signatures';

/** The lines of an archive, each without its end; asked for twice it begins anew. */
export type ArchiveSource = () => AsyncIterable<string>;

/** What an archive holds, by kind of line. */
export type ArchiveCounts = Record<string, number>;

/** So many lines of one kind are written at once. */
const AT_ONCE = 500;

/**
 * Takes an archive into an empty shop, all of it or nothing; with `preview` nothing at all. It is
 * read line by line, however long it is: first through, then in. Answers what it holds. Throws
 * RequestError 400 with the line of each mistake.
 */
export async function takeArchive(
  db: Database,
  source: ArchiveSource,
  preview: boolean,
): Promise<ArchiveCounts> {
  const counts = await readThrough(source);
  if (preview) return counts;
  await db.write(async (transaction) => {
    const { machines, sheets } = db.tables;
    const kept = (await machines.count({ transaction })) + (await sheets.count({ transaction }));
    if (kept > 0) {
      throw new RequestError(
        409,
        'An archive is imported into an empty shop only. This one is not.',
      );
    }
    await keepAll(db, source, transaction);
    await forget(db, transaction);
  });
  return counts;
}

/** Reads an archive to its end or until it is hopeless. Throws RequestError 400. */
async function readThrough(source: ArchiveSource): Promise<ArchiveCounts> {
  const reader = new ArchiveReader();
  const hash = createHash('sha256');
  const counts: ArchiveCounts = {};
  for await (const text of source()) {
    const line = reader.read(text);
    if (line) {
      const before = line.type === 'end' ? hash.copy().digest('hex') : '';
      const wrong = wrongHashes(line, before);
      reader.issues.push(...wrong.map((issue) => ({ line: reader.place, ...issue })));
      counts[line.type] = (counts[line.type] ?? 0) + 1;
    }
    hash.update(`${text}\n`);
    if (reader.isHopeless) throw refusal(reader.issues);
  }
  reader.end();
  if (reader.issues.length > 0) throw refusal(reader.issues);
  return counts;
}

/** What a line says of bytes that are others. */
function wrongHashes(line: ArchiveLine, before: string): Omit<LineIssue, 'line'>[] {
  if (line.type === 'blob' && sha256(Buffer.from(line.base64, 'base64')) !== line.sha256) {
    return [{ path: 'base64', message: 'These bytes have another hash.' }];
  }
  if (line.type === 'end' && line.sha256 !== before) {
    return [{ path: 'sha256', message: 'The lines before have another hash: they were changed.' }];
  }
  return [];
}

function refusal(issues: readonly LineIssue[]): RequestError {
  const told = issues.map(({ line, path, message }) => ({
    path: path === '' ? `line ${line}` : `line ${line}: ${path}`,
    message,
  }));
  const first = told[0];
  return new RequestError(400, `Nothing was imported. ${first?.path}: ${first?.message}`, told);
}

/** Keeps every line, those of one kind that stand together at once. */
async function keepAll(
  db: Database,
  source: ArchiveSource,
  transaction: Transaction,
): Promise<void> {
  const reader = new ArchiveReader();
  const newest = new Map<string, number>();
  let batch: ArchiveLine[] = [];
  const flush = async () => {
    if (batch.length > 0) await keep(db, batch, newest, transaction);
    batch = [];
  };
  for await (const text of source()) {
    const line = reader.read(text);
    // It was read through before: only what was changed since can be mistaken.
    if (!line || reader.issues.length > 0) throw refusal(reader.issues);
    if (line.type === 'sheet') newest.set(line.id, line.revision);
    const most = line.type === 'blob' ? 1 : AT_ONCE;
    if (batch.length >= most || batch[0]?.type !== line.type) await flush();
    batch.push(line);
  }
  await flush();
}

/** Keeps lines of one kind. */
async function keep(
  db: Database,
  lines: readonly ArchiveLine[],
  newest: ReadonlyMap<string, number>,
  transaction: Transaction,
): Promise<void> {
  const { tables } = db;
  const of = <T extends ArchiveLine['type']>(type: T) =>
    lines.filter((line): line is Extract<ArchiveLine, { type: T }> => line.type === type);
  const [shop] = of('shop');
  if (shop) await writeShop(db, shop.shop, transaction);
  await tables.sheets.bulkCreate(
    of('sheet').map(({ type: _, ...row }) => ({
      ...row,
      // Kept as it came: what is beyond today's bounds is set aside by name.
      // oxlint-disable-next-line typescript/consistent-type-assertions
      document: row.document as never,
      retiredAt: row.retiredAt ?? null,
    })),
    { transaction },
  );
  await tables.machines.bulkCreate(
    of('machine').map(({ type: _, ...row }) => ({
      ...row,
      about: row.about ?? null,
      retiredAt: row.retiredAt ?? null,
      added: row.added ?? null,
      sheetRevision: row.sheetRevision ?? newest.get(row.sheet) ?? 1,
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
  await tables.jobs.bulkCreate(
    of('job').map(({ head, sheet, seal }) => ({ ...head, sheet, seal })),
    { transaction },
  );
  await tables.events.bulkCreate(
    of('event').map(({ event, receivedAt, late = false }) => ({
      id: event.id,
      job: event.job,
      n: event.n,
      body: event,
      receivedAt,
      late,
    })),
    { transaction },
  );
  for (const { key, names, registeredAt } of of('key')) {
    await keepKey(db, { key, phone: null, names, registeredAt }, transaction);
  }
  for (const { words, key, signature } of of('signature')) {
    await insertSignature(db, { words, key, signature }, transaction);
  }
  await tables.blobs.bulkCreate(
    of('blob').map(({ sha256: hash, blobType, receivedAt, base64 }) => ({
      sha256: hash,
      type: blobType,
      receivedAt,
      body: Buffer.from(base64, 'base64'),
    })),
    { transaction },
  );
}
