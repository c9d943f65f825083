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
import { generation } from './migrations/0010-generation';
import { setAside } from './migrations/0011-set-aside';
import { late } from './migrations/0012-late';
import { people } from './migrations/0013-people';
import { audit } from './migrations/0014-audit';
import { signatures } from './migrations/0015-signatures';
import { helpers } from './migrations/0016-helpers';
import { pins } from './migrations/0017-pins';
import { whosePhone } from './migrations/0018-whose-phone';
import { practice } from './migrations/0019-practice';
import { driftRules } from './migrations/0020-drift-rules';
import { fleets } from './migrations/0021-fleets';
import { hooks } from './migrations/0022-hooks';
import { weeks } from './migrations/0023-weeks';
import { hookSigned } from './migrations/0024-hook-signed';
import { manyShops } from './migrations/0025-many-shops';
import { firstOnPostgres } from './migrations/0025-on-postgres';
import { companies } from './migrations/0026-companies';
import { companySheets } from './migrations/0027-company-sheets';
import { lastLook } from './migrations/0028-last-look';

/** The steps from the first version to the first that could be on PostgreSQL, too. */
const ON_SQLITE: Migration[] = [
  firstTables,
  shopRules,
  blobs,
  soon,
  readTables,
  machines,
  shop,
  fittedMeters,
  retiredSheets,
  generation,
  setAside,
  late,
  people,
  audit,
  signatures,
  helpers,
  pins,
  whosePhone,
  practice,
  driftRules,
  fleets,
  hooks,
  weeks,
  hookSigned,
  manyShops,
];

/** Those since: the same on both. */
export const SINCE: Migration[] = [companies, companySheets, lastLook];

/** The steps a database has done and those it has not; each runs once, up to one if it is named. */
export async function pendingSteps(
  sequelize: Sequelize,
  since = SINCE,
): Promise<{ done: string[]; pending: string[]; run: (to?: string) => Promise<unknown> }> {
  const queries = sequelize.getQueryInterface();
  const first = sequelize.getDialect() === 'postgres' ? [firstOnPostgres] : ON_SQLITE;
  const umzug = new Umzug({
    migrations: [...first, ...since].map(({ name, up }) => ({ name, up: () => up(queries) })),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  const names = (steps: readonly { name: string }[]) => steps.map(({ name }) => name);
  return {
    done: names(await umzug.executed()),
    pending: names(await umzug.pending()),
    run: (to) => umzug.up(to === undefined ? {} : { to }),
  };
}
