import type { Migration } from '../migration';
import { readFromTable, TABLES_OF_SHOPS } from './0025-tables';

/**
 * Every table carries its shop, by the number that a shop has on this server, and what belongs
 * together belongs together within it: the same id may stand in two shops, as where a shop was
 * copied. All that was here is the first shop's.
 */
export const manyShops: Migration = {
  name: '0025-many-shops',
  async up(queries) {
    const run = (sql: string) => queries.sequelize.query(sql);
    const before = (name: string) => `before_${name}`;
    // The old tables belong to each other until they go; they go together.
    await run('PRAGMA defer_foreign_keys = ON');
    for (const { name } of TABLES_OF_SHOPS) {
      await run(`ALTER TABLE "${name}" RENAME TO "${before(name)}"`);
    }
    for (const { name, create } of TABLES_OF_SHOPS) await run(`CREATE TABLE "${name}" (${create})`);
    for (const { name, columns } of TABLES_OF_SHOPS) {
      await run(readFromTable(name, before(name), columns));
    }
    // The count of entries goes on: phones know what they were told by it.
    await run(
      `UPDATE sqlite_sequence SET seq = (SELECT seq FROM sqlite_sequence WHERE name = 'before_events')
       WHERE name = 'events' AND EXISTS (SELECT 1 FROM sqlite_sequence WHERE name = 'before_events')`,
    );
    for (const { name } of [...TABLES_OF_SHOPS].reverse()) {
      await run(`DROP TABLE "${before(name)}"`);
    }
    for (const { name, indexes = [] } of TABLES_OF_SHOPS) {
      for (const index of indexes) await run(index.replaceAll('TABLE', name));
    }
  },
};
