import { isDeepStrictEqual } from 'node:util';
import type { EngineSheet, SheetDetail, SheetLine, SheetRevision } from '@longbar/core';
import { headLetters, issuesOf, SheetSchema } from '@longbar/core';
import type { Transaction } from 'sequelize';
import * as v from 'valibot';
import { RequestError, wrongField } from '../../requestError';
import { sheetChanged } from '../stale';
import type { Database } from '../sql/database';
import type { SheetRow } from '../sql/tables';

/** One revision of a sheet, the newest where none is named. */
export async function readSheet(
  { tables }: Database,
  id: string,
  revision?: number,
  transaction?: Transaction,
): Promise<SheetDetail | undefined> {
  const row = await tables.sheets.findOne({
    where: revision === undefined ? { id } : { id, revision },
    order: [['revision', 'DESC']],
    ...(transaction && { transaction }),
  });
  if (!row) return undefined;
  if (!isReadable(row.get())) {
    throw new RequestError(409, `Revision ${row.get().revision} of this sheet cannot be read.`);
  }
  return detailOf(row.get());
}

/**
 * A sheet as phones are told it. Throws RequestError 409 where one that was kept before is beyond
 * today's bounds: no phone would take what holds it.
 */
export function tellable(sheet: SheetDetail): SheetDetail {
  const checked = v.safeParse(SheetSchema, sheet.document);
  if (checked.success) return sheet;
  const [first] = issuesOf(checked.issues);
  throw new RequestError(
    409,
    `Revision ${sheet.revision} of its sheet is out of bounds. ${first?.path}: ${first?.message}`,
  );
}

/** The revisions of a sheet, newest first; none where there is no such sheet. */
export async function listRevisions({ tables }: Database, id: string): Promise<SheetRevision[]> {
  const rows = await tables.sheets.findAll({
    where: { id },
    attributes: ['revision', 'publishedAt'],
    order: [['revision', 'DESC']],
  });
  return rows.map((row) => {
    const { revision, publishedAt } = row.get();
    return { revision, publishedAt };
  });
}

/** Every sheet by its newest revision, with the machines it serves; or those that are retired. */
export async function listSheets({ tables }: Database, retired = false): Promise<SheetLine[]> {
  const [sheets, machines] = await Promise.all([
    tables.sheets.findAll({ order: ['id', 'revision'] }),
    tables.machines.findAll({ where: { retiredAt: null }, order: ['name', 'id'] }),
  ]);
  return newestOf(sheets.map((row) => row.get()))
    .filter((row) => Boolean(row.retiredAt) === retired && isReadable(row))
    .map(({ id, revision, publishedAt, document, retiredAt }) => ({
      id,
      revision,
      publishedAt,
      ...(retiredAt && { retiredAt }),
      name: document.name,
      head: headLetters(document),
      machines: machines.filter((row) => row.get().sheet === id).map((row) => row.get().name),
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/** A document that cannot be read stops no other; the nightly look names it. */
function isReadable({ document }: { document: EngineSheet | null }): boolean {
  return document !== null;
}

/** Of rows in the order of their revisions, the newest of each sheet. */
export function newestOf(rows: readonly SheetRow[]): SheetRow[] {
  return [...new Map(rows.map((row) => [row.id, row])).values()];
}

/**
 * Publishes a document as the next revision of its sheet, the first of a new one. What the
 * newest revision says already is not published again.
 */
export async function publishSheet(
  db: Database,
  id: string,
  document: EngineSheet,
  now: string,
): Promise<{ sheet: SheetDetail; made: boolean }> {
  return db.write((transaction) => publishIn(db, id, document, now, transaction));
}

/** The same among what else one transaction writes. A sheet that is published is not retired. */
export async function publishIn(
  db: Database,
  id: string,
  document: EngineSheet,
  now: string,
  transaction: Transaction,
): Promise<{ sheet: SheetDetail; made: boolean }> {
  const newest = await db.tables.sheets.findOne({
    where: { id },
    order: [['revision', 'DESC']],
    transaction,
  });
  const before = newest?.get();
  if (before?.retiredAt) await bringBack(db, id, transaction);
  if (before && isDeepStrictEqual(before.document, document))
    return { sheet: detailOf({ ...before, retiredAt: null }), made: false };
  const sheet = { id, revision: (before?.revision ?? 0) + 1, document, publishedAt: now };
  await db.tables.sheets.create(sheet, { transaction });
  await sheetChanged(db, id, transaction);
  return { sheet, made: true };
}

/**
 * Keeps a revision that was published before and is lost here, under its number: jobs go by it.
 * Throws RequestError 409 where that number says something else here.
 */
export async function putBackRevision(
  db: Database,
  id: string,
  revision: number,
  document: EngineSheet,
  now: string,
): Promise<{ sheet: SheetDetail; made: boolean }> {
  return db.write(async (transaction) => {
    const known = await readSheet(db, id, revision, transaction);
    if (known && !isDeepStrictEqual(known.document, document)) {
      throw wrongField('revision', `Revision ${revision} of this sheet says something else.`, 409);
    }
    if (known) return { sheet: known, made: false };
    const sheet = { id, revision, document, publishedAt: now };
    await db.tables.sheets.create(sheet, { transaction });
    await sheetChanged(db, id, transaction);
    return { sheet, made: true };
  });
}

/** Takes a sheet that no machine of the yard goes by out of the lists, or back into them. */
export async function retireSheet(
  db: Database,
  id: string,
  retired: boolean,
  now: string,
): Promise<SheetDetail> {
  return db.write(async (transaction) => {
    const { machines, sheets } = db.tables;
    const known = await sheets.count({ where: { id }, transaction });
    if (known === 0) throw new RequestError(404, 'There is no such sheet.');
    const users = await machines.findAll({
      where: { sheet: id, retiredAt: null },
      order: ['name', 'id'],
      transaction,
    });
    if (retired && users.length > 0) {
      const names = new Intl.ListFormat('en').format(users.map((row) => row.get().name));
      throw wrongField(
        'retired',
        `It is the sheet of ${names}. Let them go by another first.`,
        409,
      );
    }
    if (!retired) await bringBack(db, id, transaction);
    else await sheets.update({ retiredAt: now }, { where: { id, retiredAt: null }, transaction });
    const row = await sheets.findOne({ where: { id }, order: [['revision', 'DESC']], transaction });
    if (!row) throw new RequestError(404, 'There is no such sheet.');
    return detailOf(row.get());
  });
}

/** A sheet that is used again is back in the lists. */
export async function bringBack(
  { tables }: Database,
  id: string,
  transaction: Transaction,
): Promise<void> {
  await tables.sheets.update({ retiredAt: null }, { where: { id }, transaction });
}

function detailOf({ retiredAt, ...sheet }: SheetRow): SheetDetail {
  return { ...sheet, ...(retiredAt && { retiredAt }) };
}
