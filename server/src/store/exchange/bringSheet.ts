import type { EngineSheet } from '@longbar/core';
import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import { wrongField } from '../../requestError';
import type { Database } from '../sql/database';
import { sheetChanged } from '../stale';
import { photosOf } from './sheetsFile';

/** Two shops of one database. */
export type Between = { from: Database; to: Database };

/**
 * Brings all revisions of a sheet that are not there yet, under their numbers and with their photos:
 * jobs go by them. Throws RequestError 409 where a number says something else there.
 */
export async function bringSheet(
  { from, to }: Between,
  id: string,
  transaction: Transaction,
): Promise<void> {
  const [own, there] = await Promise.all(
    [from, to].map((shop) => shop.tables.sheets.findAll({ where: { id }, transaction })),
  );
  const known = new Map((there ?? []).map((row) => [row.get().revision, row.get()]));
  const [first] = known.values();
  const photos: string[] = [];
  for (const row of (own ?? []).map((each) => each.get())) {
    const same = known.get(row.revision);
    // One that cannot be read comes as it is: the nightly look names it.
    const document: EngineSheet | null = row.document;
    if (same && !isDeepStrictEqual(same.document, document)) {
      const name = document?.name ?? 'a sheet that cannot be read';
      const message = `Revision ${row.revision} of ${name} says something else there.`;
      throw wrongField('to', message, 409);
    }
    const retiredAt = (first ?? row).retiredAt ?? null;
    if (!same) await to.tables.sheets.create({ ...row, retiredAt }, { transaction });
    if (document) photos.push(...photosOf(document));
  }
  await bringBlobs({ from, to }, photos, transaction);
  await sheetChanged(to, id, transaction);
}

/** Photos and clips by their hashes, where they are not there yet. They stay where they were, too. */
export function bringBlobs(
  { from, to }: Between,
  hashes: readonly string[],
  transaction: Transaction,
): Promise<void> {
  return to.run(
    `INSERT INTO blobs (shop, sha256, type, body, receivedAt)
     SELECT $shop, sha256, type, body, receivedAt FROM blobs
     WHERE shop = $1 AND sha256 ${to.dialect.inList('$2')}
     ON CONFLICT (shop, sha256) DO NOTHING`,
    [from.shop, JSON.stringify(hashes)],
    transaction,
  );
}
