import type { Seal, Signature } from '@longbar/core';
import { canonical, ignore, SignatureSchema } from '@longbar/core';
import type { Transaction } from 'sequelize';
import * as v from 'valibot';
import { isByItsKey } from '../../ed25519';
import { wrongField } from '../../requestError';
import type { Database } from '../sql/database';
import { headOf } from './jobHead';
import { jobRow } from '../yard/jobRow';
import { keyOf } from './keys';
import type { Holder } from '../yard/phones';
import type { JobRow } from '../sql/tables';

/**
 * Keeps the signature of a phone's key over a signed job. The same again changes nothing; one that
 * does not fit the record as it stands is replaced. Throws RequestError 409, and nothing is kept,
 * where it vouches for something else than the record, for somebody else, or is not by its key.
 */
export async function keepSignature(
  db: Database,
  id: string,
  signature: Signature,
  holder: Pick<Holder, 'phone'>,
): Promise<void> {
  await db.write(async (transaction) => {
    const job = await jobRow(db, id, transaction);
    if (!isOf(signature, job)) {
      throw wrongField('words', 'This record is not what was signed: look at it again.', 409);
    }
    const key = await keyOf(db, signature.key, transaction);
    if (key?.phone !== holder.phone || !key.names.includes(signature.words.name)) {
      throw wrongField('key', 'This key is not registered for this phone and its person.', 409);
    }
    if (!isByItsKey(signature)) {
      throw wrongField('signature', 'The key did not make this signature.', 409);
    }
    const before = await readSignature(db, id, transaction);
    if (before && isOf(before, job)) return;
    await insertSignature(db, signature, transaction);
  });
}

/** Keeps a signature in the place of any before it. */
export function insertSignature(
  db: Database,
  { words, key, signature }: Signature,
  transaction: Transaction,
): Promise<void> {
  return db.run(
    `INSERT INTO signatures (shop, job, words, key, signature) VALUES ($shop, $1, $2, $3, $4)
     ON CONFLICT (shop, job) DO UPDATE SET words = $2, key = $3, signature = $4`,
    [words.job.id, canonical(words), key, signature],
    transaction,
  );
}

/** The signature over a job, and whether it fits the record as it was sealed. */
export async function signatureOn(db: Database, job: JobRow): Promise<Seal['signature']> {
  const signature = await readSignature(db, job.id).catch(
    ignore('a signature that cannot be read is none that fits'),
  );
  return signature ? { ...signature, fits: isOf(signature, job) && isByItsKey(signature) } : null;
}

/** Whether it speaks of this job and of what its seal covers. */
function isOf({ words }: Signature, job: JobRow): boolean {
  return words.seal === job.seal && canonical(words.job) === canonical(headOf(job));
}

/** The signature over a job, as it is kept. Throws where it cannot be read. */
export async function readSignature(
  db: Database,
  job: string,
  transaction?: Transaction,
): Promise<Signature | undefined> {
  const [row] = await db.rows(
    v.object({ words: v.string(), key: v.string(), signature: v.string() }),
    'SELECT words, key, signature FROM signatures WHERE shop = $shop AND job = $1',
    [job],
    transaction,
  );
  return row && v.parse(SignatureSchema, { ...row, words: JSON.parse(row.words) });
}
