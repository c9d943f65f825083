import type { JobEvent } from '@longbar/core';
import { Sha256Schema } from '@longbar/core';
import { createHash } from 'node:crypto';
import { RequestError } from '../../requestError';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';
import type { BlobRow } from '../sql/tables';
import * as v from 'valibot';

export function sha256(bytes: Buffer): string {
  return createHash('sha256').update(bytes).digest('hex');
}

/** Keeps a photo or clip under its hash; the same again changes nothing. */
export async function keepBlob(
  db: Database,
  hash: string,
  type: string,
  body: Buffer,
  now: string,
): Promise<{ made: boolean }> {
  if (sha256(body) !== hash) {
    const message = 'These bytes have another hash: they were changed on the way.';
    throw new RequestError(400, message, [{ path: 'sha256', message }]);
  }
  return db.write((transaction) => keepBlobIn(db, { sha256: hash, type, body }, now, transaction));
}

/** The same among what else one transaction writes, the hash looked at before. */
export async function keepBlobIn(
  { tables }: Database,
  blob: Pick<BlobRow, 'sha256' | 'type' | 'body'>,
  now: string,
  transaction: Transaction,
): Promise<{ made: boolean }> {
  const known = await tables.blobs.count({ where: { sha256: blob.sha256 }, transaction });
  if (known > 0) return { made: false };
  await tables.blobs.create({ ...blob, receivedAt: now }, { transaction });
  return { made: true };
}

/** A photo or clip by its hash; undefined where there is none. */
export async function readBlob({ tables }: Database, hash: string) {
  return (await tables.blobs.findByPk(hash))?.get();
}

const AttachedSchema = v.object({ attachments: v.array(v.object({ sha256: Sha256Schema })) });

/** The hashes of what hangs on an event, of whatever type. */
export function attachedTo(event: JobEvent): string[] {
  const found = v.safeParse(AttachedSchema, event);
  return found.success ? found.output.attachments.map(({ sha256: hash }) => hash) : [];
}

/** Which of these photos and clips are not here. */
export async function lackingBlobs(db: Database, hashes: readonly string[]): Promise<string[]> {
  if (hashes.length === 0) return [];
  const known = await db.rows(
    v.object({ sha256: v.string() }),
    `SELECT sha256 FROM blobs WHERE shop = $shop AND sha256 ${db.dialect.inList('$1')}`,
    [JSON.stringify(hashes)],
  );
  const here = new Set(known.map((row) => row.sha256));
  return [...new Set(hashes)].filter((hash) => !here.has(hash));
}
