import { CompanyNameSchema } from '@longbar/core';
import * as v from 'valibot';
import type { Database } from '../sql/database';

/** A company as it is run from one shop: what it is called, and its shops, that one first. */
export type RunFromHere = { name: string; shops: Database[] };

/** The company that is run from a shop; undefined where none is. */
export async function companyRunFrom(db: Database): Promise<RunFromHere | undefined> {
  const [row] = await db.rows(
    v.object({ name: v.string() }),
    'SELECT name FROM companies WHERE shop = $shop',
  );
  if (!row) return undefined;
  const shops = await db.rows(
    v.object({ shop: v.number() }),
    'SELECT shop FROM identity WHERE company = $shop ORDER BY shop <> $shop, shop',
  );
  return { name: row.name, shops: shops.map(({ shop }) => db.of(shop)) };
}

/** The company that a shop is of, and the shop that it is run from; undefined where it is of none. */
export async function companyOf(
  db: Database,
): Promise<{ name: string; home: Database } | undefined> {
  const [row] = await db.rows(
    v.object({ home: v.number(), name: v.string() }),
    `SELECT companies.shop AS home, companies.name FROM identity
     JOIN companies ON companies.shop = identity.company WHERE identity.shop = $shop`,
  );
  return row && { name: row.name, home: db.of(row.home) };
}

/**
 * Makes these shops one company, run from the first of them; whoever was of it before and is not
 * among them is on its own again. Throws where one of them is of another company.
 */
export async function keepCompany(
  db: Database,
  name: string,
  shops: readonly number[],
): Promise<void> {
  const called = v.parse(CompanyNameSchema, name);
  const home = db.of(shops[0] ?? 0);
  await db.write(async (transaction) => {
    for (const shop of shops) {
      const [known] = await db
        .of(shop)
        .rows(
          v.object({ company: v.nullable(v.number()) }),
          'SELECT company FROM identity WHERE shop = $shop',
          [],
          transaction,
        );
      if (!known) throw new Error(`There is no shop ${shop}.`);
      if (known.company !== null && known.company !== home.shop) {
        throw new Error(`Shop ${shop} is of another company.`);
      }
    }
    await home.run(
      `INSERT INTO companies (shop, name) VALUES ($shop, $1)
       ON CONFLICT (shop) DO UPDATE SET name = $1`,
      [called],
      transaction,
    );
    await home.run('UPDATE identity SET company = NULL WHERE company = $shop', [], transaction);
    const joins = 'UPDATE identity SET company = $1 WHERE shop = $shop';
    for (const shop of shops) await db.of(shop).run(joins, [home.shop], transaction);
  });
}
