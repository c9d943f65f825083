import { ignore } from '@longbar/core';
import pg from 'pg';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize';
import { FolderError } from '../dataFile';
import type { Backend, Holding } from '../backend';
import { begunAt, Within } from '../backend';
import { heedful, PATIENCE } from './connection';
import { POSTGRES } from './dialect';
import { ask, poolOf } from './pool';
import { Session } from './session';
import { Turns } from './turns';
import { upgradePostgres } from './upgrade';

/**
 * So many connections each process has for what it writes and for what it reads: who waits for a lock
 * keeps nobody from reading, or whoever holds it could wait for them.
 */
const [WRITERS, READERS, MODELS] = [8, 6, 4];
/** Whoever reads a whole shop may rest so long between two pages of it, ms: a phone far out is slow. */
const AT_LEISURE = 600_000;
/** So many of those for writing one shop has at a time: a busy one leaves some to the others. */
const OF_A_SHOP = 5;

/**
 * Opens a PostgreSQL database, making its tables if need be. Transactions go on side by side, in this
 * process and in others; what one holds is a lock of the database. A connection that says nothing for
 * `patience` ms is given up. Throws FolderError.
 */
export async function openPostgres(url: string, patience = PATIENCE): Promise<Backend> {
  await upgraded(url);
  const sequelize = connect(url, MODELS, heedful(patience));
  const [writers, readers] = [poolOf(url, WRITERS, patience), poolOf(url, READERS, patience)];
  const session = await Session.begin(url);
  const turns = new Turns(OF_A_SHOP);
  const underWay = new Map<Transaction, pg.PoolClient>();
  const transaction = async <T>(
    holding: Holding,
    work: (within: Transaction) => Promise<T>,
  ): Promise<T> => {
    const client = await writers.connect();
    const within = new Within(sequelize, client);
    underWay.set(within, client);
    let cut = false;
    try {
      const begun = client.query(`BEGIN; ${locksOf(holding)}`);
      begun.catch(ignore('it is thrown before anything is kept'));
      // An append reads within its transaction alone: what it asks first goes right behind, and waits
      // there for the locks. Who has the whole shop also reads by other connections, once they are held.
      if (holding.jobs === undefined) await begun;
      const answer = await work(within);
      await begun;
      await client.query('COMMIT');
      return answer;
    } catch (error) {
      cut = await client.query('ROLLBACK').then(
        () => false,
        () => true,
      );
      throw error;
    } finally {
      underWay.delete(within);
      client.release(cut);
    }
  };
  return {
    dialect: POSTGRES,
    sequelize,
    async all(sql, bind, shop, within) {
      if (!within) return ask(readers, sql, bind, shop);
      const client = underWay.get(within);
      if (!client) throw new Error('This transaction has ended.');
      return ask(client, sql, bind, shop);
    },
    async transact(holding, work) {
      const [shop = 0] = holding.shops;
      await turns.begin(shop);
      try {
        return await transaction(holding, work);
      } finally {
        turns.end(shop);
      }
    },
    async asItIs() {
      // A connection of its own: whoever takes long over it takes none from those who read a little.
      const own = poolOf(url, 1, AT_LEISURE);
      const client = await own.connect().catch(async (error) => {
        await own.end();
        throw error;
      });
      const models = connect(url, 1);
      const within = new Within(models, client);
      underWay.set(within, client);
      const end = async () => {
        underWay.delete(within);
        client.release(true);
        await own.end();
      };
      const begin = 'BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY';
      return begunAt({ within, sequelize: models, end }, async (sql) => client.query(sql), begin);
    },
    tell: (told) => session.tell(told),
    hear: (hearer) => session.hear(hearer),
    alone: (what, work) => session.alone(what, work),
    // What was acknowledged is on its disk: it keeps its own log, and its own checks of it.
    kept: () => undefined,
    lost: 0,
    look: () => Promise.resolve({ damage: null, orphans: [] }),
    copyInto: () => Promise.reject(new Error(BACKUPS)),
    wayBack: () => BACKUPS,
    async close() {
      await session.close();
      await Promise.all([writers.end(), readers.end(), sequelize.close()]);
    },
  };
}

const BACKUPS = 'A PostgreSQL database is backed up and restored by its own means.';

/** The kinds of what is locked, each by a number of its own. */
const [SHOP, JOB] = [1, 2];

/** In the order of their numbers, so that two who want the same do not wait for each other. */
function locksOf({ shops, jobs }: Holding): string {
  if (jobs !== undefined) {
    const ids = jobs.map((id) => `(${pg.escapeLiteral(id)})`).join(', ');
    return `SELECT pg_advisory_xact_lock_shared(${SHOP}, ${shops[0]});
      SELECT pg_advisory_xact_lock(${JOB}, number) FROM
        (SELECT DISTINCT hashtext(id) AS number FROM (VALUES ${ids}) AS job (id) ORDER BY 1) AS locks`;
  }
  const inOrder = [...shops].sort((a, b) => a - b);
  return inOrder.map((shop) => `SELECT pg_advisory_xact_lock(${SHOP}, ${shop})`).join('; ');
}

function connect(url: string, max: number, how: object = {}): Sequelize {
  return new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max },
    dialectOptions: { application_name: 'longbar', ...how },
  });
}

/** Brings it up to date. Throws FolderError where it cannot be reached or is another. */
async function upgraded(url: string): Promise<void> {
  const sequelize = connect(url, 1);
  try {
    await upgradePostgres(sequelize);
  } catch (error) {
    if (error instanceof FolderError) throw error;
    const why = error instanceof Error ? error.message : String(error);
    // The address holds a password: only where it leads is said.
    const { host, pathname } = new URL(url);
    throw new FolderError(
      `The PostgreSQL database at ${host}${pathname} cannot be opened: ${why}. Look at DATABASE_URL, and whether its server runs.`,
    );
  } finally {
    await sequelize.close();
  }
}
