import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Migration } from './migration';
import { firstTables } from './migrations/0001-first-tables';
import { shopRules } from './migrations/0002-shop-rules';
import { blobs } from './migrations/0003-blobs';
import { soon } from './migrations/0004-soon';
import { readTables } from './migrations/0005-read-tables';
import { machines } from './migrations/0006-machines';
import { shop } from './migrations/0007-shop';
import { fittedMeters } from './migrations/0008-fitted-meters';
import { retiredSheets } from './migrations/0009-retired-sheets';

const MIGRATIONS: Migration[] = [
  firstTables,
  shopRules,
  blobs,
  soon,
  readTables,
  machines,
  shop,
  fittedMeters,
  retiredSheets,
];

/** Brings the schema up to date; each step runs once. */
export async function migrate(sequelize: Sequelize): Promise<void> {
  const queries = sequelize.getQueryInterface();
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up }) => ({ name, up: () => up(queries) })),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  await umzug.up();
}
