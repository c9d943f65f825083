import type { Shop, ShopHere } from '@longbar/core';
import { NEW_SHOP } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from './database';
import { openJobsChanged } from './changes';
import type { ShopRow } from './tables';

/** There is one shop in a database. */
const ONLY = 'shop';

/** The one shop of this database. */
export async function readShop({ tables }: Database): Promise<Shop> {
  const row = await tables.shops.findOne();
  if (!row) return NEW_SHOP;
  const { id: _id, name, policy, bladeSets, ...rest } = row.get();
  const said = Object.entries(rest).filter(([, value]) => value !== null);
  return { name, policy, bladeSets, ...Object.fromEntries(said) };
}

/** The shop, and which of all shops it is. */
export async function readShopHere(db: Database): Promise<ShopHere> {
  const [shop, named, identity] = await Promise.all([
    readShop(db),
    db.tables.shops.count(),
    identityOf(db),
  ]);
  return { ...shop, ...identity, unnamed: named === 0 };
}

/** Which shop this database holds. */
export async function identityOf(db: Database): Promise<{ id: string; demo: boolean }> {
  const [row] = await db.rows<{ id: string; demo: number }>('SELECT id, demo FROM identity');
  if (!row) throw new Error('The database does not say which shop it holds.');
  return { id: row.id, demo: row.demo === 1 };
}

/** Keeps the shop's rules in place of those there were. */
export async function writeShop(db: Database, shop: Shop, transaction: Transaction): Promise<void> {
  const { name, policy, bladeSets } = shop;
  const row: ShopRow = {
    ...{ id: ONLY, name, policy, bladeSets },
    address: shop.address || null,
    timeZone: shop.timeZone ?? null,
    units: shop.units ?? null,
    round: shop.round ?? null,
    shims: shop.shims ?? null,
    soon: shop.soon ?? null,
  };
  const known = await db.tables.shops.findOne({ transaction });
  if (known) await known.update({ ...row, id: known.get().id }, { transaction });
  else await db.tables.shops.create(row, { transaction });
  await openJobsChanged(db, transaction);
}
