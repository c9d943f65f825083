import type { Migration } from '../migration';

/** The sheets of the shop that a company is run from which its other shops may take. */
export const companySheets: Migration = {
  name: '0027-company-sheets',
  async up(queries) {
    await queries.sequelize.query(
      `CREATE TABLE "company_sheets" (
         "shop" INTEGER NOT NULL REFERENCES "companies" ("shop"), "sheet" TEXT NOT NULL,
         PRIMARY KEY ("shop", "sheet"))`,
    );
  },
};
