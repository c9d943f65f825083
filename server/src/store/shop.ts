import type { Shop } from '@longbar/core';
import type { Database } from './database';

/** The one shop of this database. */
export async function readShop({ tables }: Database): Promise<Shop> {
  const row = await tables.shops.findOne();
  if (!row) return { name: 'Workshop', policy: 'leave-inside', bladeSets: [] };
  const { name, policy, bladeSets, round, shims } = row.get();
  return { name, policy, bladeSets, ...(round && { round }), ...(shims && { shims }) };
}
