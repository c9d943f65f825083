import { ignore } from '@longbar/core';
import type { Database as Driver } from 'sqlite3';
import type * as v from 'valibot';
import sqlite from 'sqlite3';
import { ConnectionError, Sequelize, Transaction } from 'sequelize';
import { RequestError } from '../../requestError';
import { countAcknowledged } from './acknowledged';
import type { Connection } from './connections';
import { openConnection, PRAGMAS } from './connections';
import { dataFile, FolderError, wayBack } from './dataFile';
import type { Summarise } from '../../jobRead/summary';
import { summarise } from '../../jobRead/summary';
import { readRows } from './columns';
import type { Dialect } from './dialect';
import { SQLITE } from './sqliteDialect';
import type { Tables } from './tables';
import { defineTables } from './tables';
import { upgrade } from './upgrade';

/** A statement that says of which shop: without it, it would be of all, and does not compile. */
export type OfShop = `${string}$shop${string}`;

/** Plain statements on the database; `$1` is bound. */
type Asked<Sql extends string> = {
  /** Rows of a plain query as the schema reads them, where models would cost more than they tell. */
  rows<Row>(
    schema: v.GenericSchema<unknown, Row>,
    sql: Sql,
    bind?: unknown[],
    within?: Transaction,
  ): Promise<Row[]>;
  /** Whether a plain query finds anything. */
  some(sql: Sql, bind?: unknown[], within?: Transaction): Promise<boolean>;
  /** Runs a plain statement. */
  run(sql: Sql, bind: unknown[], within: Transaction): Promise<void>;
};

/**
 * One shop of an open database: its tables, and one queue through which every write goes. In its
 * statements `$shop` is its number on this server.
 */
export type Database = Asked<OfShop> & {
  /** The number of the shop on this server, in every row that is its own. */
  shop: number;
  /** Another shop of the same database. */
  of(shop: number): Database;
  /** The whole database: statements about the file or about all shops, and writes of any of them. */
  whole: Asked<string> & { writes(): number };
  tables: Tables;
  /** How this database says what each says in its own way. */
  dialect: Dialect;
  /** Runs `work` in a transaction, alone: one after the other, each kept once it answers. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** The same, for what is only derived from what others wrote. */
  derive(work: (transaction: Transaction) => Promise<void>): Promise<void>;
  /** Reads a job from its journal, a long one where nobody waits for it. */
  summarise: Summarise;
  /** How many writes are kept: the same number again, and there is nothing new to derive. */
  writes(): number;
  /** Writes a consistent copy of all that is kept into a new file, while the work goes on. */
  copyInto(file: string): Promise<void>;
  /** What was found wrong with it, for a person; null while it is whole. */
  damage(): string | null;
  /** It was found damaged: it is read as far as it can be, and nothing is written any more. */
  foundDamaged(why: string): void;
  /** How many events phones were told are kept, and are not: found when it was opened. */
  lost: number;
  close(): Promise<void>;
};

/**
 * Opens the database in `folder`, making both if need be, and answers its first shop; `reading` is
 * how jobs are read. Throws FolderError.
 */
export async function openDatabase(
  folder: string,
  reading: Summarise = summarise,
): Promise<Database> {
  const file = await dataFile(folder, (fresh) => makeDatabase(fresh, folder));
  const sequelize = connect(file);
  await upgraded(sequelize, folder);
  const [reader, writer] = [await openConnection(file), await openConnection(file)];
  let damage: string | null = null;
  const { inLine, isUnderWay, ended } = queueOn(sequelize, writer, () => {
    if (damage !== null) throw new RequestError(503, damage);
  });
  const asked = (shop?: number): Asked<string> => {
    const all = async (sql: string, bind: readonly unknown[] = [], within?: Transaction) => {
      if (within && !isUnderWay(within)) throw new Error('This transaction has ended.');
      return (within ? writer : reader).all(sql, bind, shop);
    };
    return {
      rows: async (schema, sql, bind, within) => readRows(schema, await all(sql, bind, within)),
      some: async (sql, bind, within) => (await all(`${sql} LIMIT 1`, bind, within)).length > 0,
      run: async (sql, bind, within) => {
        await all(sql, bind, within);
      },
    };
  };
  let all = 0;
  const whole = { ...asked(), writes: () => all };
  const acknowledged = await countAcknowledged(folder, (sql, bind = []) => reader.all(sql, bind));
  const shops = new Map<number, Database>();
  const of = (shop: number): Database => {
    const known = shops.get(shop);
    if (known) return known;
    let kept = 0;
    const made: Database = {
      ...asked(shop),
      ...shared,
      shop,
      tables: defineTables(sequelize, shop),
      writes: () => kept,
      async write(work) {
        const answer = await inLine(work);
        // Counted once it is kept, and before it is answered: who reads meanwhile has not seen it.
        kept += 1;
        all += 1;
        acknowledged.kept();
        return answer;
      },
    };
    shops.set(shop, made);
    return made;
  };
  const shared = {
    of,
    whole,
    dialect: SQLITE,
    summarise: reading,
    derive: (work: (transaction: Transaction) => Promise<void>) => inLine(work),
    async copyInto(into: string) {
      await reader.all('VACUUM INTO $1', [into]);
    },
    lost: acknowledged.lost,
    damage: () => damage,
    foundDamaged(why: string) {
      damage ??= `The server’s database is damaged (${why}). Nothing more is written to it. ${wayBack(folder)}`;
    },
    async close() {
      await ended();
      await acknowledged.close();
      // One after the other: two that close at once find each other, and leave the log unfolded.
      for (const connection of [writer, reader, sequelize]) await connection.close();
    },
  };
  return of(FIRST_SHOP);
}

/** The shop that a database is made with. */
const FIRST_SHOP = 1;

/** What Sequelize's models write with: its statements go by the connection that writes. */
class Writing extends Transaction {
  constructor(
    sequelize: Sequelize,
    readonly connection: Driver,
  ) {
    super(sequelize, {});
  }
}

/**
 * One transaction after the other, for parallel ones on SQLite end in SQLITE_BUSY. They are begun
 * and ended here: Sequelize's own take as long for that as an append for all the rest.
 */
function queueOn(sequelize: Sequelize, writer: Connection, refuse: () => void) {
  let last: Promise<unknown> = Promise.resolve();
  let underWay: Transaction | undefined;
  const alone = async <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
    refuse();
    const transaction = new Writing(sequelize, writer.driver);
    await writer.all('BEGIN IMMEDIATE', []);
    underWay = transaction;
    try {
      const answer = await work(transaction);
      await writer.all('COMMIT', []);
      return answer;
    } catch (error) {
      // A full disk has rolled it back already.
      await writer.all('ROLLBACK', []).catch(ignore('nothing is left to roll back'));
      throw error;
    } finally {
      underWay = undefined;
    }
  };
  return {
    inLine<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
      const mine = last.then(() => alone(work));
      last = mine.catch(ignore('who asked for it is told'));
      return mine;
    },
    isUnderWay: (transaction: Transaction) => transaction === underWay,
    ended: () => last,
  };
}

/**
 * Opens a file that is there; with `making` also one that is not. Else a process whose folder is taken
 * away meanwhile would leave an empty file, which the next start takes for a database that was cut off.
 */
function connect(storage: string, making = false): Sequelize {
  const mode = sqlite.OPEN_READWRITE | (making ? sqlite.OPEN_CREATE : 0);
  return new Sequelize({ dialect: 'sqlite', storage, logging: false, dialectOptions: { mode } });
}

/** Brings it up to date. Throws FolderError, closed again, where it cannot be read or written. */
async function upgraded(sequelize: Sequelize, folder: string): Promise<void> {
  try {
    // Its one connection stays open, for what models read.
    for (const pragma of PRAGMAS) await sequelize.query(pragma);
    await upgrade(sequelize, folder);
  } catch (error) {
    // One that never opened cannot be closed: Sequelize would wait for that forever.
    if (!(error instanceof ConnectionError)) await sequelize.close();
    if (error instanceof FolderError) throw error;
    const why = error instanceof Error ? error.message : String(error);
    throw new FolderError(`The database in ${folder} cannot be opened: ${why}. ${wayBack(folder)}`);
  }
}

/** A new database in a file of its own, closed again. */
async function makeDatabase(file: string, folder: string): Promise<void> {
  const sequelize = connect(file, true);
  await upgraded(sequelize, folder);
  // All of it in the one file, which gets its name only then.
  await sequelize.query('PRAGMA journal_mode = DELETE');
  await sequelize.close();
}
