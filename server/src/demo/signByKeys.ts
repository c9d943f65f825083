import * as v from 'valibot';
import type { KeyObject } from 'node:crypto';
import { generateKeyPairSync, sign } from 'node:crypto';
import { signedText, signedWords } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../store/sql/database';
import { headOf } from '../store/journal/jobHead';
import { keepKey } from '../store/journal/keys';
import { insertSignature } from '../store/journal/signatures';

/**
 * Signs the demo's past jobs as the phones of its people would have: each person's key is made
 * here, and its secret kept nowhere.
 */
export async function signByKeys(db: Database, now: Date, transaction: Transaction): Promise<void> {
  const keys = new Map<string, { key: string; secret: KeyObject }>();
  for (const row of await db.tables.jobs.findAll({ transaction })) {
    const job = row.get();
    if (job.seal === null) continue;
    const own = keys.get(job.by) ?? (await keyOfPerson(db, job.by, now, transaction));
    keys.set(job.by, own);
    const machine = await db.tables.machines.findByPk(job.machine, { transaction });
    const words = signedWords(headOf(job), {
      machine: machine?.get().name ?? '',
      seal: job.seal,
      name: job.by,
      at: await signedAt(db, job.id, transaction),
    });
    const signature = sign(null, Buffer.from(signedText(words)), own.secret).toString('hex');
    await insertSignature(db, { words, key: own.key, signature }, transaction);
  }
}

async function signedAt(db: Database, job: string, transaction: Transaction): Promise<string> {
  const { field } = db.dialect;
  const [row] = await db.rows(
    v.object({ at: v.string() }),
    `SELECT ${field('body', 'at')} AS at FROM events
     WHERE shop = $shop AND job = $1 AND ${field('body', 'type')} = 'job.signed'`,
    [job],
    transaction,
  );
  if (!row) throw new Error(`Job ${job} has a seal and no signature.`);
  return row.at;
}

async function keyOfPerson(db: Database, name: string, now: Date, transaction: Transaction) {
  const { publicKey, privateKey: secret } = generateKeyPairSync('ed25519');
  const { x = '' } = publicKey.export({ format: 'jwk' });
  const key = Buffer.from(x, 'base64url').toString('hex');
  const registeredAt = now.toISOString();
  await keepKey(db, { key, phone: null, names: [name], registeredAt }, transaction);
  return { key, secret };
}
