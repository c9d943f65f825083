import type { Migration } from '../migration';

/** When all of the database was looked through last: whichever process did, none of the others need. */
export const lastLook: Migration = {
  name: '0028-last-look',
  async up(queries) {
    const run = (sql: string) => queries.sequelize.query(sql);
    await run('CREATE TABLE "last_look" ("at" TEXT NOT NULL)');
    await run(`INSERT INTO "last_look" ("at") VALUES ('1970-01-01T00:00:00.000Z')`);
  },
};
