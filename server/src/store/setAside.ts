import * as v from 'valibot';
import type { Transaction } from 'sequelize';
import type { Database } from './sql/database';
import { databaseTrouble } from './sql/trouble';

/** What may break by itself; `name` is what people know it by. */
export type Thing = { kind: 'job' | 'machine' | 'drift' | 'look'; id: string; name: string };

/** What is set aside, as it is told. */
export type SetAside = { name: string; why: string };

/**
 * Works out one thing among others of a transaction. Where it breaks, nothing of it is kept, it is
 * set aside with its name, and the rest goes on; once it works out again it is no longer.
 */
export async function orSetAside(
  db: Database,
  thing: Thing,
  transaction: Transaction,
  work: () => Promise<void>,
  broken: () => Promise<void>,
): Promise<void> {
  const run = (sql: string) => db.whole.run(sql, [], transaction);
  await run('SAVEPOINT one');
  try {
    await work();
    await run('RELEASE one');
    await backIn(db, thing, transaction);
  } catch (error) {
    if (databaseTrouble(error) !== undefined) throw error;
    await run('ROLLBACK TO one');
    await run('RELEASE one');
    await setAside(db, thing, error, transaction);
    await broken();
  }
}

/** It works out again. */
export function backIn(
  db: Database,
  { kind, id }: Pick<Thing, 'kind' | 'id'>,
  transaction: Transaction,
): Promise<void> {
  const sql = 'DELETE FROM set_aside WHERE shop = $shop AND kind = $1 AND id = $2';
  return db.run(sql, [kind, id], transaction);
}

/** Notes that a thing broke, and why. */
export async function setAside(
  db: Database,
  { kind, id, name }: Thing,
  error: unknown,
  transaction: Transaction,
): Promise<void> {
  const why = error instanceof Error ? error.message : String(error);
  await db.run(
    `INSERT INTO set_aside (shop, kind, id, name, why) VALUES ($shop, $1, $2, $3, $4)
     ON CONFLICT (shop, kind, id) DO UPDATE SET name = $3, why = $4`,
    [kind, id, name, why.slice(0, 300)],
    transaction,
  );
}

/** What a thorough look found spoiled, in place of what the one before did. */
export async function keepSpoiled(db: Database, found: readonly string[]): Promise<void> {
  await db.derive(async (transaction) => {
    const sql = "DELETE FROM set_aside WHERE shop = $shop AND kind = 'look'";
    await db.run(sql, [], transaction);
    for (const [i, why] of found.entries()) {
      const thing: Thing = { kind: 'look', id: String(i), name: 'The nightly look' };
      await setAside(db, thing, why, transaction);
    }
  });
}

/** All that is set aside, by name. */
export function listSetAside(db: Database): Promise<SetAside[]> {
  return db.rows(
    v.object({ name: v.string(), why: v.string() }),
    'SELECT name, why FROM set_aside WHERE shop = $shop ORDER BY kind, name, id LIMIT 100',
  );
}

/** Why a thing is set aside; undefined where it is not. */
export async function whySetAside(
  db: Database,
  { kind, id }: Pick<Thing, 'kind' | 'id'>,
): Promise<string | undefined> {
  const [row] = await db.rows(
    v.object({ why: v.string() }),
    'SELECT why FROM set_aside WHERE shop = $shop AND kind = $1 AND id = $2',
    [kind, id],
  );
  return row?.why;
}
