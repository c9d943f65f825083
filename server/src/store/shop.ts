import type { Shop } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from './database';
import { openJobsChanged } from './changes';
import type { ShopRow } from './tables';

/** There is one shop in a database. */
const ONLY = 'shop';

/** The one shop of this database. */
export async function readShop({ tables }: Database): Promise<Shop> {
  const row = await tables.shops.findOne();
  if (!row) return { name: 'Workshop', policy: 'leave-inside', bladeSets: [] };
  const { name, policy, bladeSets, round, shims, soon } = row.get();
  return {
    name,
    policy,
    bladeSets,
    ...(round && { round }),
    ...(shims && { shims }),
    ...(soon && { soon }),
  };
}

/** Keeps the shop's rules in place of those there were. */
export async function writeShop(db: Database, shop: Shop, transaction: Transaction): Promise<void> {
  const { round = null, shims = null, soon = null, ...rest } = shop;
  const row: ShopRow = { ...rest, id: ONLY, round, shims, soon };
  const known = await db.tables.shops.findOne({ transaction });
  if (known) await known.update({ ...row, id: known.get().id }, { transaction });
  else await db.tables.shops.create(row, { transaction });
  await openJobsChanged(db, transaction);
}
