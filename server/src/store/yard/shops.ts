import type { Database } from '../sql/database';

/** Every shop of the database, in the order in which they were opened. */
export async function allShops(db: Database): Promise<Database[]> {
  const rows = await db.whole.rows<{ shop: number }>('SELECT shop FROM identity ORDER BY shop');
  return rows.map(({ shop }) => db.of(shop));
}
