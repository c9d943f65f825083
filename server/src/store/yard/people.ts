import * as v from 'valibot';
import { randomUUID } from 'node:crypto';
import type { Person, PersonPatch, Role } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError, wrongField } from '../../requestError';
import { truth } from '../sql/columns';
import type { Database } from '../sql/database';
import { letGo, roleKept } from './phones';

/** Whether nobody works here yet: the first phone to be paired is a foreman's. */
export async function isNobodyHere(db: Database): Promise<boolean> {
  return !(await db.some('SELECT 1 FROM people WHERE shop = $shop AND retiredAt IS NULL'));
}

/** Adds somebody of the shop, or of the demo. Throws RequestError 400 for a name that is taken. */
export async function addPerson(
  db: Database,
  { name, role, demo = false }: { name: string; role: Role; demo?: boolean },
  transaction: Transaction,
): Promise<string> {
  await refuseSameName(db, name, null, transaction);
  const id = randomUUID();
  await db.tables.people.create({ id, name, role, demo, retiredAt: null }, { transaction });
  return id;
}

/** Who of the shop has this name, as an id. */
export async function personNamed(
  db: Database,
  name: string,
  transaction: Transaction,
): Promise<string | undefined> {
  const [known] = await db.rows(
    v.object({ id: v.string() }),
    `SELECT id FROM people
     WHERE shop = $shop AND lower(name) = lower($1) AND retiredAt IS NULL`,
    [name],
    transaction,
  );
  return known?.id;
}

/** Two people of one name could not be told apart in any record. */
async function refuseSameName(
  db: Database,
  name: string,
  except: string | null,
  transaction: Transaction,
): Promise<void> {
  const known = await personNamed(db, name, transaction);
  if (known !== undefined && known !== except) {
    throw wrongField('name', `There is a ${name} in the shop already.`);
  }
}

/** Everybody with their phones, those who left last. */
export async function listPeople(db: Database): Promise<Person[]> {
  const people = await db.rows(
    PersonRowSchema,
    `SELECT id, name, role, retiredAt, pin IS NOT NULL AS pin FROM people WHERE shop = $shop
     ORDER BY retiredAt IS NOT NULL, name, id`,
  );
  const phones = await db.rows(
    PhoneRowSchema,
    `SELECT id, person, pairedAt, seenAt FROM phones
     WHERE shop = $shop AND revokedAt IS NULL ORDER BY pairedAt, id`,
  );
  return people.map(({ retiredAt, ...person }) => ({
    ...person,
    retired: retiredAt !== null,
    phones: phones
      .filter((phone) => phone.person === person.id)
      .map(({ person: _, ...phone }) => phone),
  }));
}

const PersonRowSchema = v.object({
  id: v.string(),
  name: v.string(),
  role: roleKept,
  retiredAt: v.nullable(v.string()),
  pin: truth,
});

const PhoneRowSchema = v.object({
  id: v.string(),
  person: v.string(),
  pairedAt: v.string(),
  seenAt: v.nullable(v.string()),
});

/**
 * Changes a name or a role, or notes that somebody has left: their phones are let go, their past
 * stays theirs. Answers the name they had. Throws RequestError 404, and 409 where no foreman would
 * be left.
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
    if (retired === false) await refuseSameName(db, name ?? before, id, transaction);
    await db.tables.people.update(
      {
        ...(name !== undefined && { name }),
        ...(role !== undefined && { role }),
        ...(retired !== undefined && { retiredAt: retired ? now.toISOString() : null }),
      },
      { where: { id }, transaction },
    );
    if (retired) await letGo(db, 'person', id, now, transaction);
    const foreman = `SELECT 1 FROM people
      WHERE shop = $shop AND role = 'foreman' AND retiredAt IS NULL` as const;
    if (!(await db.some(foreman, [], transaction)))
      throw new RequestError(409, 'A shop has a foreman. Make somebody else one first.');
    return before;
  });
}
