import type { Transaction } from 'sequelize';
import { wrongField } from '../requestError';
import type { Database } from './database';
import type { Holder } from './phones';

/** A public key, and whose phone it was when it was registered. */
export type KeyRow = { key: string; phone: string | null; name: string; registeredAt: string };

/**
 * Registers the public key of a phone; one that has none yet, or another since its browser was
 * cleared. Answers whether it is new. Throws RequestError 409 for the key of somebody else's phone.
 */
export async function registerKey(
  db: Database,
  { phone, name }: Pick<Holder, 'phone' | 'name'>,
  key: string,
  now: Date,
): Promise<boolean> {
  return db.write(async (transaction) => {
    const known = await keyOf(db, key, transaction);
    if (known?.phone === phone) return false;
    if (known && known.name !== name) {
      throw wrongField('key', 'This is the key of somebody else’s phone.', 409);
    }
    await db.run(
      `INSERT INTO keys (key, phone, name, registeredAt) VALUES ($1, $2, $3, $4)
       ON CONFLICT (key) DO UPDATE SET phone = $2`,
      [key, phone, name, now.toISOString()],
      transaction,
    );
    return true;
  });
}

/** What is known of a key; undefined of one that nobody registered. */
export async function keyOf(
  db: Database,
  key: string,
  transaction?: Transaction,
): Promise<KeyRow | undefined> {
  const [row] = await db.rows<KeyRow>('SELECT * FROM keys WHERE key = $1', [key], transaction);
  return row;
}
