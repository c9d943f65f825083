import type { Shop, ShopHere } from '@longbar/core';
import { NEW_SHOP } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from './database';
import { openJobsChanged } from './changes';
import { listSetAside } from './setAside';
import type { IdentityRow, ShopRow } from './tables';

/** There is one shop in a database. */
const ONLY = 'shop';

/** The one shop of this database. */
export async function readShop({ tables }: Database, transaction?: Transaction): Promise<Shop> {
  const row = await tables.shops.findOne({ ...(transaction && { transaction }) });
  if (!row) return NEW_SHOP;
  const { id: _id, name, policy, bladeSets, ...rest } = row.get();
  const said = Object.entries(rest).filter(([, value]) => value !== null);
  return { name, policy, bladeSets, ...Object.fromEntries(said) };
}

/** The shop, and which of all shops it is. */
export async function readShopHere(db: Database): Promise<ShopHere> {
  const [shop, named, identity, aside] = await Promise.all([
    readShop(db),
    db.tables.shops.count(),
    identityOf(db),
    listSetAside(db),
  ]);
  const damage = db.damage();
  return {
    ...shop,
    ...identity,
    unnamed: named === 0,
    ...(damage !== null && { damage }),
    ...(db.lost > 0 && { lost: db.lost }),
    ...(aside.length > 0 && { setAside: aside }),
  };
}

/** Which shop this database holds, and which life of its database this is. */
export async function identityOf(db: Database): Promise<IdentityRow> {
  const [row] = await db.rows<IdentityRow & { demo: unknown }>(
    'SELECT id, demo, generation FROM identity',
  );
  if (!row) throw new Error('The database does not say which shop it holds.');
  return { ...row, demo: Number(row.demo) === 1 };
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
