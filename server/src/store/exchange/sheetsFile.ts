import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type { EngineSheet, Issue, SheetInFile, SheetsFile, SheetsReport } from '@longbar/core';
import { isRefused, readSheetsFile, SHEETS_FORMAT } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError } from '../../requestError';
import { keepBlobIn, sha256 } from '../journal/blobs';
import type { Database } from '../sql/database';
import { newestOf, publishIn } from '../yard/sheets';

/** Sheets by their newest revision, with their photos, as one file. All of them if none is named. Throws RequestError 404. */
export async function sheetsFile(db: Database, ids: readonly string[]): Promise<SheetsFile> {
  const rows = await db.tables.sheets.findAll({
    ...(ids.length > 0 ? { where: { id: [...ids] } } : { where: { retiredAt: null } }),
    order: ['id', 'revision'],
  });
  const newest = newestOf(rows.map((row) => row.get()));
  const missing = ids.find((asked) => !newest.some(({ id }) => id === asked));
  if (missing !== undefined) throw new RequestError(404, `There is no sheet ${missing}.`);
  if (newest.length === 0) throw new RequestError(404, 'There are no sheets yet.');
  const hashes = new Set(newest.flatMap(({ document }) => photosOf(document)));
  const blobs = await db.tables.blobs.findAll({
    where: { sha256: [...hashes] },
    order: ['sha256'],
  });
  return {
    format: SHEETS_FORMAT,
    sheets: newest.map(({ id, document }) => ({ id, document })),
    photos: blobs.map((row) => {
      const { sha256: hash, type, body } = row.get();
      return { sha256: hash, type, base64: body.toString('base64') };
    }),
  };
}

export function photosOf({ photos = [] }: EngineSheet): string[] {
  return photos.map((photo) => photo.sha256);
}

type Options = { take: boolean; leaveOut: boolean };
type Line = SheetsReport['sheets'][number];
/** A line of the report, and what is published of it. */
type Found = { line: Line; publish?: { id: string; document: EngineSheet } };

/**
 * Looks a file of sheets over, and imports it where that is asked: what is new, and what is a
 * newer revision of a known sheet. All of it or nothing; with `leaveOut` without the sheets that
 * have mistakes. Throws RequestError 400 where the file is none, or has a mistake that stays in.
 */
export async function importSheets(
  db: Database,
  json: unknown,
  { take, leaveOut }: Options,
  now: string,
): Promise<SheetsReport> {
  const file = readSheetsFile(json);
  if (isRefused(file)) throw refusal(file.issues);
  const spoiled = file.photos.flatMap(({ sha256: hash, base64 }, place): Issue[] =>
    sha256(Buffer.from(base64, 'base64')) === hash
      ? []
      : [{ path: `photos.${place}`, message: 'These bytes have another hash: it was changed.' }],
  );
  if (spoiled.length > 0) throw refusal(spoiled);
  const own = new Set(file.photos.map((photo) => photo.sha256));
  return db.write(async (transaction) => {
    const found: Found[] = [];
    for (const sheet of file.sheets) found.push(await lookAt(db, sheet, own, transaction));
    const sheets = found.map(({ line }) => line);
    if (!take) return { sheets, taken: false };
    const mistakes = sheets.flatMap(({ issues }, place) =>
      issues.map(({ path, message }) => ({
        path: [`sheets.${place}`, path].filter(Boolean).join('.'),
        message,
      })),
    );
    if (mistakes.length > 0 && !leaveOut) throw refusal(mistakes);
    const wanted = new Set<string>();
    for (const { publish } of found) {
      if (!publish) continue;
      await publishIn(db, publish.id, publish.document, now, transaction);
      photosOf(publish.document).forEach((hash) => wanted.add(hash));
    }
    for (const { sha256: hash, type, base64 } of file.photos) {
      if (!wanted.has(hash)) continue;
      await keepBlobIn(
        db,
        { sha256: hash, type, body: Buffer.from(base64, 'base64') },
        now,
        transaction,
      );
    }
    return { sheets, taken: true };
  });
}

async function lookAt(
  db: Database,
  { id, name, parsed }: SheetInFile,
  own: ReadonlySet<string>,
  transaction: Transaction,
): Promise<Found> {
  const mistaken = (issues: Issue[]): Found => ({ line: { name, is: 'mistaken', issues } });
  if (isRefused(parsed)) return mistaken(parsed.issues);
  const document = parsed.sheet;
  const missing: Issue[] = [];
  for (const [place, hash] of photosOf(document).entries()) {
    const known =
      own.has(hash) || (await db.tables.blobs.count({ where: { sha256: hash }, transaction }));
    const message = 'The photo is neither in the file nor in this shop.';
    if (!known) missing.push({ path: `photos.${place}`, message });
  }
  if (missing.length > 0) return mistaken(missing);
  const known = await knownAs(db, id, document.name, transaction);
  const [newest, ...older] = known;
  if (!newest) {
    const publish = { id: id ?? randomUUID(), document };
    return { line: { name, is: 'new', revision: 1, issues: [] }, publish };
  }
  const { revision } = newest;
  if (isDeepStrictEqual(newest.document, document)) {
    return { line: { name, is: 'same', revision, issues: [] } };
  }
  const before = older.find((each) => isDeepStrictEqual(each.document, document));
  if (before) return { line: { name, is: 'older', revision: before.revision, issues: [] } };
  return {
    line: { name, is: 'newer', revision: revision + 1, issues: [] },
    publish: { id: newest.id, document },
  };
}

/** The revisions of a sheet that is known by its id, or by its name where it brings none. */
async function knownAs(
  { tables }: Database,
  id: string | undefined,
  name: string,
  transaction: Transaction,
) {
  const rows = await tables.sheets.findAll({
    ...(id !== undefined && { where: { id } }),
    order: [['revision', 'DESC']],
    transaction,
  });
  const sheets = rows.map((row) => row.get());
  if (id !== undefined) return sheets;
  const named = newestOf([...sheets].reverse()).find(
    ({ retiredAt, document }) => !retiredAt && document.name === name,
  );
  return named ? sheets.filter((sheet) => sheet.id === named.id) : [];
}

function refusal(issues: readonly Issue[]): RequestError {
  const [first] = issues;
  const where = first?.path ? `${first.path}: ` : '';
  return new RequestError(400, `Nothing was imported. ${where}${first?.message}`, [...issues]);
}
