import type { Transaction } from 'sequelize';
import * as v from 'valibot';
import { wrongField } from '../../requestError';
import type { Database } from '../sql/database';
import type { Holder } from '../yard/phones';

/** A public key, whose phone it is, and every name its person had since it was registered. */
export type KeyRow = { key: string; phone: string | null; names: string[]; registeredAt: string };

/**
 * Registers the public key of a phone: its first one, another since its browser was cleared, or the
 * same under the name that its person has by now. Answers whether the key is new. Throws RequestError
 * 409 for the key of somebody else's phone.
 */
export async function registerKey(
  db: Database,
  { phone, name }: Pick<Holder, 'phone' | 'name'>,
  key: string,
  now: Date,
): Promise<boolean> {
  return db.write(async (transaction) => {
    const known = await keyOf(db, key, transaction);
    if (known && known.phone !== phone && !known.names.includes(name)) {
      throw wrongField('key', 'This is the key of somebody else’s phone.', 409);
    }
    const names = [...new Set([...(known?.names ?? []), name])];
    await keepKey(db, { key, phone, names, registeredAt: now.toISOString() }, transaction);
    return !known;
  });
}

/** Keeps a key; of one that is known already the phone and the names are others. */
export function keepKey(
  db: Database,
  { key, phone, names, registeredAt }: KeyRow,
  transaction: Transaction,
): Promise<void> {
  return db.run(
    `INSERT INTO keys (shop, key, phone, names, registeredAt) VALUES ($shop, $1, $2, $3, $4)
     ON CONFLICT (shop, key) DO UPDATE SET phone = excluded.phone, names = excluded.names`,
    [key, phone, JSON.stringify(names), registeredAt],
    transaction,
  );
}

/** What is known of a key; undefined of one that nobody registered. */
export async function keyOf(
  db: Database,
  key: string,
  transaction?: Transaction,
): Promise<KeyRow | undefined> {
  const sql = `SELECT ${COLUMNS} FROM keys WHERE shop = $shop AND key = $1` as const;
  const [row] = await db.rows(KeptSchema, sql, [key], transaction);
  return row && keyIn(row);
}

/** Every key that was registered, the oldest first. */
export async function listKeys(db: Database): Promise<KeyRow[]> {
  const sql = `SELECT ${COLUMNS} FROM keys WHERE shop = $shop ORDER BY registeredAt, key` as const;
  return (await db.rows(KeptSchema, sql)).map(keyIn);
}

const COLUMNS = 'key, phone, names, registeredAt';

const NamesSchema = v.pipe(v.string(), v.parseJson(), v.array(v.string()));

const KeptSchema = v.object({
  key: v.string(),
  phone: v.nullable(v.string()),
  names: v.unknown(),
  registeredAt: v.string(),
});

/** A key whose names cannot be read is nobody's. */
function keyIn({ names, ...row }: v.InferOutput<typeof KeptSchema>): KeyRow {
  const read = v.safeParse(NamesSchema, names);
  return { ...row, names: read.success ? read.output : [] };
}
