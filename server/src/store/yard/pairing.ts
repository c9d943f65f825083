import * as v from 'valibot';
import type { Pair, Pairing, PairingPost } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError, wrongField } from '../../requestError';
import type { Database } from '../sql/database';
import { addPerson, personNamed } from './people';
import type { Paired } from './phones';
import { hashOf, keepPhone, meOf, newSecret } from './phones';

/** A pairing link works for so long, ms. */
const LINK_LASTS = 15 * 60_000;

/**
 * A code that pairs one phone once, within a quarter of an hour: for somebody of the shop, for
 * somebody new, for a helper who says who it is or, as the server's own machine asks, for a foreman
 * who does. Answers whose name it is for, too. Throws RequestError 404 or 409.
 */
export async function beginPairing(
  db: Database,
  whose: PairingPost | 'helper' | 'foreman',
  now: Date,
): Promise<Pairing & { name: string }> {
  const code = newSecret();
  const until = new Date(now.getTime() + LINK_LASTS).toISOString();
  const name = await db.write(async (transaction) => {
    const person = typeof whose === 'string' ? undefined : await personFor(db, whose, transaction);
    // What ran out or was used is of no more use.
    await db.run(
      'DELETE FROM pairings WHERE shop = $shop AND (until < $1 OR usedAt IS NOT NULL)',
      [now.toISOString()],
      transaction,
    );
    await db.run(
      `INSERT INTO pairings (shop, codeHash, person, role, until)
       VALUES ($shop, $1, $2, $3, $4)`,
      [hashOf(code), person?.id ?? null, typeof whose === 'string' ? whose : null, until],
      transaction,
    );
    return person?.name ?? '';
  });
  return { code, until, name };
}

async function personFor(
  db: Database,
  whose: PairingPost,
  transaction: Transaction,
): Promise<{ id: string; name: string }> {
  if ('name' in whose) return { id: await addPerson(db, whose, transaction), name: whose.name };
  const person = (await db.tables.people.findByPk(whose.person, { transaction }))?.get();
  if (!person) throw new RequestError(404, 'There is no such person.');
  if (person.retiredAt !== null) throw new RequestError(409, `${person.name} has left the shop.`);
  return person;
}

/**
 * Pairs a phone by the code of its link. A link of the server's own machine makes the first of
 * that name a foreman; one of a job makes a helper. Throws RequestError 400 without a name where one is needed, and 410 for a
 * link that was used, ran out or never was: which of them is nobody's business.
 */
export async function pair(db: Database, { code, name }: Pair, now: Date): Promise<Paired> {
  const { token, holder } = await db.write(async (transaction) => {
    const [link] = await db.rows(
      v.object({ person: v.nullable(v.string()), role: v.nullable(v.string()) }),
      `SELECT person, role FROM pairings
       WHERE shop = $shop AND codeHash = $1 AND usedAt IS NULL AND until > $2`,
      [hashOf(code), now.toISOString()],
      transaction,
    );
    if (!link) throw new RequestError(410, 'This link was used or has run out. Ask for a new one.');
    const person = link.person ?? (await personSaid(db, link.role, name, transaction));
    await db.run(
      'UPDATE pairings SET usedAt = $1 WHERE shop = $shop AND codeHash = $2',
      [now.toISOString(), hashOf(code)],
      transaction,
    );
    return keepPhone(db, person, now, transaction);
  });
  return { token, me: await meOf(db, holder) };
}

/**
 * Who says their own name by a link that is nobody's yet. Who sits at the server's own machine is the
 * shop's master, a foreman by whatever name; who joins as a helper is one already, or somebody new:
 * nobody becomes another by a name.
 */
async function personSaid(
  db: Database,
  role: string | null,
  name: string | undefined,
  transaction: Transaction,
): Promise<string> {
  if (name === undefined) throw wrongField('name', 'Say who holds this phone.');
  const joins = role === 'helper';
  const known = await personNamed(db, name, transaction);
  if (known === undefined) {
    return addPerson(db, { name, role: joins ? 'helper' : 'foreman' }, transaction);
  }
  if (!joins) {
    const sql = "UPDATE people SET role = 'foreman' WHERE shop = $shop AND id = $1";
    await db.run(sql, [known], transaction);
    return known;
  }
  const person = (await db.tables.people.findByPk(known, { transaction }))?.get();
  if (person?.role === 'helper') return known;
  const message = `There is a ${name} here who is no helper: a foreman shows them a code.`;
  throw wrongField('name', message);
}
