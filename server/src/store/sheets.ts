import { isDeepStrictEqual } from 'node:util';
import type { EngineSheet, SheetDetail, SheetLine, SheetRevision } from '@longbar/core';
import { sheetChanged } from './changes';
import type { Database } from './database';

/** One revision of a sheet, the newest where none is named. */
export async function readSheet(
  { tables }: Database,
  id: string,
  revision?: number,
): Promise<SheetDetail | undefined> {
  const row = await tables.sheets.findOne({
    where: revision === undefined ? { id } : { id, revision },
    order: [['revision', 'DESC']],
  });
  if (!row) return undefined;
  return row.get();
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

/** Every sheet by its newest revision, with the machines it serves. */
export async function listSheets({ tables }: Database): Promise<SheetLine[]> {
  const [sheets, machines] = await Promise.all([
    tables.sheets.findAll({ order: [['revision', 'ASC']] }),
    tables.machines.findAll({ where: { retiredAt: null }, order: [['name', 'ASC']] }),
  ]);
  const newest = new Map(sheets.map((row) => [row.get().id, row.get()]));
  return [...newest.values()]
    .map(({ id, revision, publishedAt, document }) => ({
      id,
      revision,
      publishedAt,
      name: document.name,
      machines: machines.filter((row) => row.get().sheet === id).map((row) => row.get().name),
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
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
  return db.write(async (transaction) => {
    const newest = await db.tables.sheets.findOne({
      where: { id },
      order: [['revision', 'DESC']],
      transaction,
    });
    const before = newest?.get();
    if (before && isDeepStrictEqual(before.document, document))
      return { sheet: before, made: false };
    const sheet = { id, revision: (before?.revision ?? 0) + 1, document, publishedAt: now };
    await db.tables.sheets.create(sheet, { transaction });
    await sheetChanged(db, id, transaction);
    return { sheet, made: true };
  });
}
