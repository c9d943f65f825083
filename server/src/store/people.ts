import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Me, Pair, Pairing, PairingPost, Person, PersonPatch, Role } from '@longbar/core';
import { ROLES } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError, wrongField } from '../requestError';
import type { Database } from './database';

/** A pairing link works for so long, ms. */
const LINK_LASTS = 15 * 60_000;
/** When a phone was seen last is written down this often, ms. */
const SEEN_EVERY = 3_600_000;

/** Somebody whose phone was just paired: who it is, and the token that the phone holds. */
export type Paired = { me: Me; token: string };

/** Whose phone asks. */
export type Holder = Omit<Me, 'alone'>;

const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex');
/** 128 bits, which nobody guesses. */
const secret = () => randomBytes(16).toString('base64url');

type Door = { cookie: string; calendar: string };
/** Each request asks for it, and only this process changes it. */
const doors = new WeakMap<Database, Door>();

/** What the door is known by: the name of its cookie, and the secret in the calendar's address. */
export async function doorOf(db: Database): Promise<Door> {
  const known = doors.get(db);
  if (known) return known;
  const [door] = await db.rows<{ cookie: string; calendar: string }>(
    'SELECT cookie, calendar FROM door',
  );
  if (!door) throw new Error('The database has no door.');
  const read = { cookie: `longbar-${door.cookie}`, calendar: door.calendar };
  doors.set(db, read);
  return read;
}

/** The calendar's address is another from here on; who subscribed to the old one gets nothing. */
export async function renewCalendar(db: Database): Promise<void> {
  const calendar = randomBytes(16).toString('hex');
  await db.write((transaction) => db.run('UPDATE door SET calendar = $1', [calendar], transaction));
  doors.delete(db);
}

/** Whose phone holds this token; undefined where it was never paired, or is revoked. */
export async function whoHolds(db: Database, token: string): Promise<Holder | undefined> {
  const [row] = await db.rows<Holder>(
    `SELECT people.id, name, role, phones.id AS phone FROM phones
     JOIN people ON people.id = person
     WHERE tokenHash = $1 AND revokedAt IS NULL AND retiredAt IS NULL`,
    [hashOf(token)],
  );
  return row;
}

/** Notes that a phone was here, from time to time. */
export async function noteSeen(db: Database, phone: string, now: Date): Promise<void> {
  const before = new Date(now.getTime() - SEEN_EVERY).toISOString();
  const [due] = await db.rows(
    'SELECT 1 FROM phones WHERE id = $1 AND (seenAt IS NULL OR seenAt < $2)',
    [phone, before],
  );
  if (!due) return;
  await db.write((transaction) =>
    db.run('UPDATE phones SET seenAt = $1 WHERE id = $2', [now.toISOString(), phone], transaction),
  );
}

/** Whose phone it is, and whether the shop has nobody else and no other phone. */
export async function meOf(db: Database, { id, name, role, phone }: Holder): Promise<Me> {
  const [others] = await db.rows<{ some: number }>(
    `SELECT EXISTS (SELECT 1 FROM people WHERE id <> $1 AND retiredAt IS NULL)
       OR EXISTS (SELECT 1 FROM phones WHERE id <> $2 AND revokedAt IS NULL) AS some`,
    [id, phone],
  );
  return { id, name, role, phone, alone: others?.some === 0 };
}

/** Whether nobody works here yet: the first phone to be paired is a foreman's. */
export async function isNobodyHere(db: Database): Promise<boolean> {
  const [found] = await db.rows('SELECT 1 FROM people WHERE retiredAt IS NULL LIMIT 1');
  return found === undefined;
}

/**
 * A code that pairs one phone once, within a quarter of an hour: for somebody of the shop, for
 * somebody new, or, as the server's own machine asks, for a foreman who says who it is. Answers
 * whose name it is for, too. Throws RequestError 404 or 409.
 */
export async function beginPairing(
  db: Database,
  whose: PairingPost | null,
  now: Date,
): Promise<Pairing & { name: string }> {
  const code = secret();
  const until = new Date(now.getTime() + LINK_LASTS).toISOString();
  const name = await db.write(async (transaction) => {
    const person = whose && (await personFor(db, whose, transaction));
    // What ran out or was used is of no more use.
    await db.run(
      'DELETE FROM pairings WHERE until < $1 OR usedAt IS NOT NULL',
      [now.toISOString()],
      transaction,
    );
    await db.run(
      'INSERT INTO pairings (codeHash, person, until) VALUES ($1, $2, $3)',
      [hashOf(code), person, until],
      transaction,
    );
    return person === null ? '' : nameOf(db, person, transaction);
  });
  return { code, until, name };
}

async function personFor(
  db: Database,
  whose: PairingPost,
  transaction: Transaction,
): Promise<string> {
  if ('name' in whose) return addPerson(db, whose, transaction);
  const person = (await db.tables.people.findByPk(whose.person, { transaction }))?.get();
  if (!person) throw new RequestError(404, 'There is no such person.');
  if (person.retiredAt !== null) throw new RequestError(409, `${person.name} has left the shop.`);
  return person.id;
}

async function addPerson(
  db: Database,
  { name, role, demo = false }: { name: string; role: Role; demo?: boolean },
  transaction: Transaction,
): Promise<string> {
  await refuseSameName(db, name, null, transaction);
  const id = randomUUID();
  await db.tables.people.create({ id, name, role, demo, retiredAt: null }, { transaction });
  return id;
}

/** Two people of one name could not be told apart in any record. */
async function refuseSameName(
  db: Database,
  name: string,
  except: string | null,
  transaction: Transaction,
): Promise<void> {
  const [same] = await db.rows(
    `SELECT 1 FROM people WHERE lower(name) = lower($1) AND id IS NOT $2 AND retiredAt IS NULL`,
    [name, except],
    transaction,
  );
  if (same) throw wrongField('name', `There is a ${name} in the shop already.`);
}

/**
 * Pairs a phone by the code of its link. A link of the server's own machine makes the first of
 * that name a foreman. Throws RequestError 400 without a name where one is needed, and 410 for a
 * link that was used, ran out or never was: which of them is nobody's business.
 */
export async function pair(db: Database, { code, name }: Pair, now: Date): Promise<Paired> {
  const token = secret();
  const phone = randomUUID();
  const row = await db.write(async (transaction) => {
    const [link] = await db.rows<{ person: string | null }>(
      'SELECT person FROM pairings WHERE codeHash = $1 AND usedAt IS NULL AND until > $2',
      [hashOf(code), now.toISOString()],
      transaction,
    );
    if (!link) throw new RequestError(410, 'This link was used or has run out. Ask for a new one.');
    const person = link.person ?? (await foremanNamed(db, name, transaction));
    await db.run(
      'UPDATE pairings SET usedAt = $1 WHERE codeHash = $2',
      [now.toISOString(), hashOf(code)],
      transaction,
    );
    return keepPhone(db, { person, phone, token, now }, transaction);
  });
  return { token, me: await meOf(db, row) };
}

type Kept = { person: string; phone: string; token: string; now: Date };

async function keepPhone(
  db: Database,
  { person, phone, token, now }: Kept,
  transaction: Transaction,
): Promise<Holder> {
  await db.run(
    'INSERT INTO phones (id, person, tokenHash, pairedAt) VALUES ($1, $2, $3, $4)',
    [phone, person, hashOf(token), now.toISOString()],
    transaction,
  );
  const [row] = await db.rows<Pick<Holder, 'id' | 'name' | 'role'>>(
    'SELECT id, name, role FROM people WHERE id = $1 AND retiredAt IS NULL',
    [person],
    transaction,
  );
  if (!row) throw new RequestError(410, 'Whose phone this was to be has left the shop.');
  return { ...row, phone };
}

/** Who sits at the server's own machine is the shop's master: a foreman by the name that is said. */
async function foremanNamed(
  db: Database,
  name: string | undefined,
  transaction: Transaction,
): Promise<string> {
  if (name === undefined) throw wrongField('name', 'Say who holds this phone.');
  const [known] = await db.rows<{ id: string }>(
    'SELECT id FROM people WHERE lower(name) = lower($1) AND retiredAt IS NULL',
    [name],
    transaction,
  );
  if (!known) return addPerson(db, { name, role: 'foreman' }, transaction);
  await db.run("UPDATE people SET role = 'foreman' WHERE id = $1", [known.id], transaction);
  return known.id;
}

/** The people of the demo, by what they may do. */
const OF_DEMO: Record<Role, string> = { foreman: 'Ina', technician: 'Tam' };

/** Pairs a phone with the demo, as one of its people. */
export async function enterDemo(db: Database, role: Role, now: Date): Promise<Paired> {
  const token = secret();
  const phone = randomUUID();
  const row = await db.write(async (transaction) => {
    const person = await demoPerson(db, role, transaction);
    return keepPhone(db, { person, phone, token, now }, transaction);
  });
  return { token, me: await meOf(db, row) };
}

/** The demo's people; who is of the shop already under such a name stays who it is. */
export async function keepDemoPeople(db: Database, transaction: Transaction): Promise<void> {
  for (const role of ROLES) await demoPerson(db, role, transaction);
}

async function demoPerson(db: Database, role: Role, transaction: Transaction): Promise<string> {
  const name = OF_DEMO[role];
  const [known] = await db.rows<{ id: string }>(
    'SELECT id FROM people WHERE lower(name) = lower($1) AND retiredAt IS NULL',
    [name],
    transaction,
  );
  return known?.id ?? addPerson(db, { name, role, demo: true }, transaction);
}

/**
 * The demo's people go with it, all but whoever removes it: the shop that begins then is theirs.
 */
export async function removeDemoPeople(
  db: Database,
  but: string,
  transaction: Transaction,
): Promise<void> {
  const gone = 'SELECT id FROM people WHERE demo = 1 AND id <> $1';
  for (const table of ['phones', 'pairings']) {
    await db.run(`DELETE FROM ${table} WHERE person IN (${gone})`, [but], transaction);
  }
  await db.run('DELETE FROM people WHERE demo = 1 AND id <> $1', [but], transaction);
  await db.run('UPDATE people SET demo = 0 WHERE id = $1', [but], transaction);
}

/** Everybody with their phones, those who left last. */
export async function listPeople(db: Database): Promise<Person[]> {
  const people = await db.rows<{ id: string; name: string; role: Role; retiredAt: string | null }>(
    'SELECT id, name, role, retiredAt FROM people ORDER BY retiredAt IS NOT NULL, name, id',
  );
  const phones = await db.rows<Person['phones'][number] & { person: string }>(
    'SELECT id, person, pairedAt, seenAt FROM phones WHERE revokedAt IS NULL ORDER BY pairedAt, id',
  );
  return people.map(({ retiredAt, role, ...person }) => ({
    ...person,
    // Who has none that is known may do nothing, until a foreman says what.
    role: ROLES.includes(role) ? role : ROLES[0],
    retired: retiredAt !== null,
    phones: phones
      .filter((phone) => phone.person === person.id)
      .map(({ person: _, ...phone }) => phone),
  }));
}

/**
 * Changes a name or a role, or notes that somebody has left: their phones are let go, their past
 * stays theirs. Answers the name they had. Throws RequestError 404, and 409 where no foreman would be left.
 */
export async function changePerson(
  db: Database,
  id: string,
  patch: PersonPatch,
  now: Date,
): Promise<string> {
  return db.write(async (transaction) => {
    const row = await db.tables.people.findByPk(id, { transaction });
    if (!row) throw new RequestError(404, 'There is no such person.');
    const { name, role, retired } = patch;
    const before = row.get().name;
    if (name !== undefined) await refuseSameName(db, name, id, transaction);
    const at = now.toISOString();
    await row.update(
      {
        ...(name !== undefined && { name }),
        ...(role !== undefined && { role }),
        ...(retired !== undefined && { retiredAt: retired ? at : null }),
      },
      { transaction },
    );
    if (retired === false) await refuseSameName(db, row.get().name, id, transaction);
    if (retired) await letGo(db, 'person = $2', [at, id], transaction);
    const [left] = await db.rows(
      "SELECT 1 FROM people WHERE role = 'foreman' AND retiredAt IS NULL LIMIT 1",
      [],
      transaction,
    );
    if (!left) throw new RequestError(409, 'A shop has a foreman. Make somebody else one first.');
    return before;
  });
}

/** A phone that is lost or given back is paired no more. Answers whose it was. Throws RequestError 404. */
export async function revokePhone(db: Database, id: string, now: Date): Promise<string> {
  return db.write(async (transaction) => {
    const [known] = await db.rows<{ person: string }>(
      'SELECT person FROM phones WHERE id = $1 AND revokedAt IS NULL',
      [id],
      transaction,
    );
    if (!known) throw new RequestError(404, 'There is no such phone.');
    await letGo(db, 'id = $2', [now.toISOString(), id], transaction);
    return nameOf(db, known.person, transaction);
  });
}

async function nameOf(db: Database, id: string, transaction: Transaction): Promise<string> {
  return (await db.tables.people.findByPk(id, { transaction }))?.get().name ?? '';
}

function letGo(db: Database, which: string, bind: unknown[], transaction: Transaction) {
  return db.run(
    `UPDATE phones SET revokedAt = $1 WHERE ${which} AND revokedAt IS NULL`,
    bind,
    transaction,
  );
}
