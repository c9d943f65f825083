import * as v from 'valibot';
import { randomBytes, randomUUID } from 'node:crypto';
import { NEW_SHOP } from '@longbar/core';
import { inShop } from '../../inShop';
import type { Database, OfShop } from '../sql/database';
import { hashOf } from './phones';
import { readShop, writeShop } from './shop';

/** Every shop of the database, in the order in which they were opened. */
export async function allShops(db: Database): Promise<Database[]> {
  const rows = await db.whole.rows(
    v.object({ shop: v.number() }),
    'SELECT shop FROM identity ORDER BY shop',
  );
  return rows.map(({ shop }) => db.of(shop));
}

/** A shop as it is told at the server's own machine. */
export type ShopTold = { number: number; name: string; machines: number; people: number };

/** Every shop of the database with how much is in it. */
export async function tellShops(db: Database): Promise<ShopTold[]> {
  const told: ShopTold[] = [];
  for (const shop of await allShops(db)) {
    const inYard = { where: { retiredAt: null } };
    const machines = await shop.tables.machines.count(inYard);
    const people = await shop.tables.people.count(inYard);
    told.push({ number: shop.shop, name: (await readShop(shop)).name, machines, people });
  }
  return told;
}

/** Opens another shop beside those there are, with nothing in it but its name, if it has one yet. */
export async function openShop(db: Database, name?: string): Promise<Database> {
  return db.write(async (transaction) => {
    const rows = await db.whole.rows(
      v.object({ shop: v.number() }),
      'SELECT max(shop) AS shop FROM identity',
      [],
      transaction,
    );
    const opened = db.of((rows[0]?.shop ?? 0) + 1);
    const run = (sql: OfShop, ...bind: string[]) => opened.run(sql, bind, transaction);
    await run(
      'INSERT INTO identity (shop, id, demo, generation) VALUES ($shop, $1, FALSE, $2)',
      ...[randomUUID(), randomUUID()],
    );
    // A browser is of one shop of a server at a time: its cookie has one name for all of them.
    await run(
      'INSERT INTO door (shop, cookie, calendar) SELECT $shop, min(cookie), $1 FROM door',
      randomBytes(16).toString('hex'),
    );
    if (name !== undefined) await writeShop(opened, { ...NEW_SHOP, name }, transaction);
    return opened;
  });
}

/** Does something for every shop, one after the other, by the days and units of each. */
export async function forEachShop(
  db: Database,
  work: (shop: Database) => Promise<void>,
): Promise<void> {
  for (const shop of await allShops(db)) await inShop(await readShop(shop), () => work(shop));
}

/** The shop that is the demo, the first where there are several; undefined where none is. */
export async function demoShop(db: Database): Promise<Database | undefined> {
  return found(db, 'SELECT shop FROM identity WHERE demo ORDER BY shop LIMIT 1');
}

/** The shop whose phone a pairing link is for; undefined where no such link was made. */
export function shopOfCode(db: Database, code: string): Promise<Database | undefined> {
  return found(db, 'SELECT shop FROM pairings WHERE codeHash = $1', hashOf(code));
}

/** The shop whose record a link reads; undefined where no such link was made. */
export function shopOfShare(db: Database, secret: string): Promise<Database | undefined> {
  return found(db, 'SELECT shop FROM shares WHERE secretHash = $1', hashOf(secret));
}

/** The shop whose calendar has this secret in its address; undefined where none has. */
export function shopOfCalendar(db: Database, secret: string): Promise<Database | undefined> {
  return found(db, 'SELECT shop FROM door WHERE calendar = $1', secret);
}

/** Who asks is not known yet: by what they hold it is found whose it is. */
async function found(db: Database, sql: string, ...bind: string[]): Promise<Database | undefined> {
  const [row] = await db.whole.rows(v.object({ shop: v.number() }), sql, bind);
  return row && db.of(row.shop);
}
