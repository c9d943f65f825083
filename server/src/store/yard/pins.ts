import * as v from 'valibot';
import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import type { NameHere } from '@longbar/core';
import { RequestError, wrongField } from '../../requestError';
import { truth } from '../sql/columns';
import type { Database } from '../sql/database';

const derive = promisify<string, Buffer, number, Buffer>(scrypt);
const BYTES = 32;

/** After so many wrong ones in a row it waits. */
const TRIES = 5;
const WAITS = 15 * 60_000;

/** Whose names may be tapped on a phone of the shop, and whether a PIN is asked for each. */
export async function namesHere(db: Database): Promise<NameHere[]> {
  return db.rows(
    v.object({ name: v.string(), pin: truth }),
    `SELECT name, pin IS NOT NULL AS pin FROM people
     WHERE shop = $shop AND retiredAt IS NULL AND role IN ('technician', 'foreman') ORDER BY name`,
  );
}

/** Sets a person's own PIN, or takes it away. Of the PIN only its scrypt hash is kept. */
export async function setPin(db: Database, person: string, pin: string | null): Promise<void> {
  const salt = randomBytes(16);
  const kept =
    pin === null
      ? null
      : `${salt.toString('hex')} ${(await derive(pin, salt, BYTES)).toString('hex')}`;
  await db.write((transaction) =>
    db.run(
      `UPDATE people SET pin = $1, pinWrong = 0, pinWaits = NULL
       WHERE shop = $shop AND id = $2`,
      [kept, person],
      transaction,
    ),
  );
}

const PinRowSchema = v.object({
  id: v.string(),
  pin: v.nullable(v.string()),
  pinWrong: v.number(),
  pinWaits: v.nullable(v.string()),
});

/**
 * Tries somebody's PIN. Each try is counted before it is looked at, so that many at once are no
 * more than one after the other. Throws RequestError 400 for a wrong one and 429 after five.
 */
export async function tryPin(db: Database, name: string, pin: string, now: Date): Promise<void> {
  const person = await db.write(async (transaction) => {
    const [row] = await db.rows(
      PinRowSchema,
      `SELECT id, pin, pinWrong, pinWaits FROM people
       WHERE shop = $shop AND lower(name) = lower($1) AND retiredAt IS NULL`,
      [name],
      transaction,
    );
    if (!row?.pin) throw wrongField('name', `No PIN is asked for the name ${name}.`);
    if (row.pinWaits !== null && row.pinWaits > now.toISOString()) {
      throw new RequestError(429, 'That was wrong too often. It waits a quarter of an hour.');
    }
    const wrong = row.pinWrong + 1;
    const waits = wrong < TRIES ? null : new Date(now.getTime() + WAITS).toISOString();
    await db.run(
      'UPDATE people SET pinWrong = $1, pinWaits = $2 WHERE shop = $shop AND id = $3',
      [waits === null ? wrong : 0, waits, row.id],
      transaction,
    );
    return { id: row.id, pin: row.pin };
  });
  const [salt = '', hash = ''] = person.pin.split(' ');
  const kept = Buffer.from(hash, 'hex');
  const tried = await derive(pin, Buffer.from(salt, 'hex'), BYTES);
  if (kept.length !== BYTES || !timingSafeEqual(tried, kept)) {
    throw wrongField('pin', `That is not the PIN of ${name}.`);
  }
  await db.write((transaction) =>
    db.run(
      'UPDATE people SET pinWrong = 0, pinWaits = NULL WHERE shop = $shop AND id = $1',
      [person.id],
      transaction,
    ),
  );
}
