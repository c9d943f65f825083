import * as v from 'valibot';
import type { Database } from '../server/src/store/sql/database';
import { TABLES_OF_SHOPS } from '../server/src/store/sql/migrations/0025-tables';
import { openShop } from '../server/src/store/yard/shops';

/** What a yard consists of; who works in it and by what phone stays where it is. */
const TABLES = TABLES_OF_SHOPS.filter(({ name }) =>
  [
    ...['shops', 'sheets', 'machines', 'hours_readings', 'jobs', 'events'],
    ...['job_reads', 'job_words', 'machine_reads', 'sheet_reads', 'machine_drift'],
  ].includes(name),
).map(({ name, columns }) => ({
  name,
  columns: columns.filter((column) => column !== 'serial').map((column) => `"${column}"`),
}));

/** So many rows are copied at once. */
const AT_ONCE = 5000;

const CopiedSchema = v.object({ place: v.number(), row: v.string() });

/**
 * Copies the yard of a file into the first shop of a PostgreSQL database, table by table. What belongs
 * to what is known to be right, and is not looked up for each row.
 */
export async function copyYard(from: Database, to: Database): Promise<void> {
  for (const { name, columns } of TABLES) {
    const named = columns.map((column) => `'${column.slice(1, -1)}', ${column}`).join(', ');
    for (let after = 0; ;) {
      const rows = await from.whole.rows(
        CopiedSchema,
        `SELECT rowid AS place, json_object('shop', 1, ${named}) AS row FROM ${name}
         WHERE rowid > $1 ORDER BY rowid LIMIT ${AT_ONCE}`,
        [after],
      );
      const last = rows.at(-1);
      if (!last) break;
      await to.write(async (transaction) => {
        await to.whole.run('SET LOCAL session_replication_role = replica', [], transaction);
        const listed = `shop, ${columns.join(', ')}`;
        await to.whole.run(
          `INSERT INTO ${name} (${listed})
           SELECT ${listed} FROM json_populate_recordset(NULL::${name}, $1)`,
          [`[${rows.map(({ row }) => row).join(',')}]`],
          transaction,
        );
      });
      after = last.place;
    }
  }
}

/** Opens another shop whose yard is the same as the first one's. */
export async function openAlike(db: Database): Promise<void> {
  const { shop } = await openShop(db);
  await db.write(
    async (transaction) => {
      await db.whole.run('SET LOCAL session_replication_role = replica', [], transaction);
      for (const { name, columns } of TABLES) {
        const listed = columns.join(', ');
        await db.whole.run(
          `INSERT INTO ${name} (shop, ${listed}) SELECT ${shop}, ${listed} FROM ${name} WHERE shop = 1`,
          [],
          transaction,
        );
      }
    },
    { also: db.of(shop) },
  );
}
