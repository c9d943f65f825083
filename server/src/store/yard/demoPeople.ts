import * as v from 'valibot';
import type { DemoRole } from '@longbar/core';
import { DEMO_ROLES } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';
import { addPerson, personNamed } from './people';
import type { Paired } from './phones';
import { keepPhone, meOf } from './phones';

/** The people of the demo, by what they may do. */
const OF_DEMO: Record<DemoRole, string> = { foreman: 'Ina', technician: 'Tam' };

/** Pairs a phone with the demo, as one of its people. */
export async function enterDemo(db: Database, role: DemoRole, now: Date): Promise<Paired> {
  const { token, holder } = await db.write(async (transaction) => {
    const person = await demoPerson(db, role, transaction);
    return keepPhone(db, person, now, transaction);
  });
  return { token, me: await meOf(db, holder) };
}

/** Adds the demo's people beside whoever is of the shop already. */
export async function keepDemoPeople(db: Database, transaction: Transaction): Promise<void> {
  for (const role of DEMO_ROLES) await demoPerson(db, role, transaction);
}

/**
 * The demo's own person of a role. Nobody steps into the demo as a person of the shop: one who has
 * the same name keeps it for themselves.
 */
async function demoPerson(db: Database, role: DemoRole, transaction: Transaction): Promise<string> {
  const [known] = await db.rows(
    v.object({ id: v.string() }),
    `SELECT id FROM people
     WHERE shop = $shop AND demo AND role = $1 AND retiredAt IS NULL LIMIT 1`,
    [role],
    transaction,
  );
  if (known) return known.id;
  const taken = (await personNamed(db, OF_DEMO[role], transaction)) !== undefined;
  const name = taken ? `${OF_DEMO[role]} of the demo` : OF_DEMO[role];
  return addPerson(db, { name, role, demo: true }, transaction);
}

/**
 * The demo's people go with it. In a shop that has no foreman of its own whoever removes the demo
 * stays: the shop that begins then is theirs.
 */
export async function removeDemoPeople(
  db: Database,
  by: string,
  transaction: Transaction,
): Promise<void> {
  const own = `SELECT 1 FROM people WHERE shop = $shop
    AND NOT demo AND role = 'foreman' AND retiredAt IS NULL` as const;
  if (!(await db.some(own, [], transaction))) {
    await db.run(
      'UPDATE people SET demo = FALSE WHERE shop = $shop AND id = $1',
      [by],
      transaction,
    );
  }
  for (const table of ['phones', 'pairings']) {
    await db.run(
      `DELETE FROM ${table} WHERE shop = $shop
         AND person IN (SELECT id FROM people WHERE shop = $shop AND demo)`,
      [],
      transaction,
    );
  }
  await db.run('DELETE FROM people WHERE shop = $shop AND demo', [], transaction);
}
