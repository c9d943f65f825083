import type { Migration } from '../migration';

/** A company of several shops is run from one of them: whoever is a foreman there sees them all. */
export const companies: Migration = {
  name: '0026-companies',
  async up(queries) {
    const run = (sql: string) => queries.sequelize.query(sql);
    await run(
      `CREATE TABLE "companies" ("shop" INTEGER NOT NULL PRIMARY KEY REFERENCES "identity" ("shop"),
       "name" TEXT NOT NULL)`,
    );
    await run(
      'ALTER TABLE "identity" ADD COLUMN "company" INTEGER REFERENCES "companies" ("shop")',
    );
  },
};
