import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Me, Shown } from '@longbar/core';
import { ROLES, ShopSchema } from '@longbar/core';
import type { Transaction } from 'sequelize';
import * as v from 'valibot';
import { RequestError } from '../../requestError';
import { truth } from '../sql/columns';
import type { Database } from '../sql/database';

/** When a phone was seen last is written down this often, ms. */
const SEEN_EVERY = 3_600_000;

/** Whose phone asks, of which shop, and when it was written down last that it did. */
export type Holder = Omit<Me, 'alone'> & { seenAt: string | null; shop: number; shown: Shown };
/** Somebody whose phone was just paired: who it is, and the token that the phone holds. */
export type Paired = { me: Me; token: string };

/** 128 random bits, which nobody guesses: a phone's token, or the code of a pairing link. */
export const newSecret = () => randomBytes(16).toString('base64url');
/** Of a token or a code only this is kept. */
export const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex');

/** Who has no role that is known may do nothing, until a foreman says what. */
export const roleKept = v.fallback(v.picklist(ROLES), ROLES[0]);

const HolderRowSchema = v.object({
  shop: v.number(),
  id: v.string(),
  name: v.string(),
  role: roleKept,
  phone: v.string(),
  seenAt: v.nullable(v.string()),
  timeZone: v.nullable(v.string()),
  units: v.nullable(v.string()),
});

/**
 * Whose phone holds this token, of whichever shop, with how that shop shows its figures and days;
 * undefined where it was never paired, or was let go.
 */
export async function whoHolds(db: Database, token: string): Promise<Holder | undefined> {
  const [row] = await db.whole.rows(
    HolderRowSchema,
    `SELECT phones.shop, people.id, people.name, role, phones.id AS phone, seenAt, timeZone, units
     FROM phones JOIN people ON people.shop = phones.shop AND people.id = person
     LEFT JOIN shops ON shops.shop = phones.shop
     WHERE tokenHash = $1 AND revokedAt IS NULL AND people.retiredAt IS NULL`,
    [hashOf(token)],
  );
  if (!row) return undefined;
  const { timeZone, units, ...holder } = row;
  return { ...holder, shown: shownBy(timeZone, units) };
}

/** Each request asks for it, and to look at a time zone costs more than all else. */
const shownBefore = new Map<string, Shown>();

function shownBy(timeZone: string | null, units: string | null): Shown {
  const key = `${timeZone} ${units}`;
  const shown = shownBefore.get(key) ?? readShown(timeZone, units);
  shownBefore.set(key, shown);
  return shown;
}

/** What cannot be read of it is as usual: a phone is let in all the same. */
function readShown(timeZone: string | null, units: string | null): Shown {
  const zone = v.safeParse(ShopSchema.entries.timeZone, timeZone ?? undefined);
  const read = v.safeParse(UnitsSchema, units ?? undefined);
  return {
    ...(zone.success && { timeZone: zone.output }),
    ...(read.success && { units: read.output }),
  };
}

const UnitsSchema = v.pipe(v.string(), v.parseJson(), v.unknown(), ShopSchema.entries.units);

/** Writes down that a phone was here, where that was written down an hour ago or earlier. */
export async function noteSeen(
  db: Database,
  { phone, seenAt }: Pick<Holder, 'phone' | 'seenAt'>,
  now: Date,
): Promise<void> {
  if (seenAt !== null && now.getTime() - Date.parse(seenAt) < SEEN_EVERY) return;
  const underWay = noting.get(db) ?? new Set();
  noting.set(db, underWay);
  // Of many questions asked at once, as by a phone that opens the yard, one writes it down.
  if (underWay.has(phone)) return;
  underWay.add(phone);
  try {
    await db.write((transaction) =>
      db.run(
        'UPDATE phones SET seenAt = $1 WHERE shop = $shop AND id = $2',
        [now.toISOString(), phone],
        transaction,
      ),
    );
  } finally {
    underWay.delete(phone);
  }
}

/** The phones of which it is being written down. */
const noting = new WeakMap<Database, Set<string>>();

/** Whose phone it is, and whether the shop has nobody else and no other phone. */
export async function meOf(
  db: Database,
  { id, name, role, phone }: Omit<Me, 'alone'>,
): Promise<Me> {
  const [others] = await db.rows(
    v.object({ some: truth }),
    `SELECT EXISTS (SELECT 1 FROM people WHERE shop = $shop AND id <> $1 AND retiredAt IS NULL)
       OR EXISTS (SELECT 1 FROM phones WHERE shop = $shop AND id <> $2 AND revokedAt IS NULL)
       AS some`,
    [id, phone],
  );
  return { id, name, role, phone, alone: others?.some === false };
}

/** Keeps a new phone of a person, with a token of its own. Throws RequestError 410. */
export async function keepPhone(
  db: Database,
  person: string,
  now: Date,
  transaction: Transaction,
): Promise<{ token: string; holder: Omit<Me, 'alone'> }> {
  const [token, phone] = [newSecret(), randomUUID()];
  await db.run(
    'INSERT INTO phones (shop, id, person, tokenHash, pairedAt) VALUES ($shop, $1, $2, $3, $4)',
    [phone, person, hashOf(token), now.toISOString()],
    transaction,
  );
  const [row] = await db.rows(
    v.object({ id: v.string(), name: v.string(), role: roleKept }),
    'SELECT id, name, role FROM people WHERE shop = $shop AND id = $1 AND retiredAt IS NULL',
    [person],
    transaction,
  );
  if (!row) throw new RequestError(410, 'Whose phone this was to be has left the shop.');
  return { token, holder: { ...row, phone } };
}

/** A phone that is lost or given back is paired no more. Answers whose it was. Throws RequestError 404. */
export async function revokePhone(db: Database, id: string, now: Date): Promise<string> {
  return db.write(async (transaction) => {
    const [known] = await db.rows(
      v.object({ name: v.string() }),
      `SELECT name FROM phones JOIN people ON people.shop = phones.shop AND people.id = person
       WHERE phones.shop = $shop AND phones.id = $1 AND revokedAt IS NULL`,
      [id],
      transaction,
    );
    if (!known) throw new RequestError(404, 'There is no such phone.');
    await letGo(db, 'id', id, now, transaction);
    return known.name;
  });
}

/** Lets a phone go, or all phones of a person. */
export function letGo(
  db: Database,
  by: 'id' | 'person',
  id: string,
  now: Date,
  transaction: Transaction,
): Promise<void> {
  return db.run(
    `UPDATE phones SET revokedAt = $1 WHERE shop = $shop AND ${by} = $2 AND revokedAt IS NULL`,
    [now.toISOString(), id],
    transaction,
  );
}
