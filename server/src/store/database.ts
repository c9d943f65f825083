import { randomUUID } from 'node:crypto';
import { accessSync, constants, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Transaction } from 'sequelize';
import { QueryTypes, Sequelize } from 'sequelize';
import { migrate } from './migrate';
import type { Tables } from './tables';
import { defineTables } from './tables';

/** The folder of the database cannot be used; the message is fit for a person. */
export class FolderError extends Error {}

/** One open database: its tables, and one queue through which every write goes. */
export type Database = {
  tables: Tables;
  /** Rows of a plain query, where models would cost more than they tell; `$1` is bound. */
  rows<Row extends object>(sql: string, bind?: unknown[], within?: Transaction): Promise<Row[]>;
  /** Runs a plain statement; `$1` is bound. */
  run(sql: string, bind: unknown[], within: Transaction): Promise<void>;
  /** Runs `work` in a transaction, alone: one after the other, each kept once it answers. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** Writes a consistent copy of all that is kept into a new file, while the work goes on. */
  copyInto(file: string): Promise<void>;
  close(): Promise<void>;
};

/** Every connection gets these; SQLite forgets all but the first between connections. */
const PRAGMAS = [
  'PRAGMA journal_mode = WAL',
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
  'PRAGMA busy_timeout = 5000',
];

/** Opens the database in `folder`, making both if need be. Throws FolderError. */
export async function openDatabase(folder: string): Promise<Database> {
  checkFolder(folder);
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: join(folder, 'longbar.sqlite'),
    logging: false,
  });
  keepConnections(sequelize);
  await migrate(sequelize);
  const tables = defineTables(sequelize);
  let last: Promise<unknown> = Promise.resolve();
  return {
    tables,
    rows: <Row extends object>(sql: string, bind: unknown[] = [], within?: Transaction) =>
      sequelize.query<Row>(sql, { bind, type: QueryTypes.SELECT, transaction: within ?? null }),
    async run(sql, bind, within) {
      await sequelize.query(sql, { bind, transaction: within });
    },
    write(work) {
      // Parallel transactions on SQLite end in SQLITE_BUSY, so they stand in line.
      const mine = last.then(() => sequelize.transaction({ type: IMMEDIATE }, work));
      last = mine.catch(() => undefined);
      return mine;
    },
    async copyInto(file) {
      await sequelize.query('VACUUM INTO ?', { replacements: [file] });
    },
    async close() {
      await last;
      await sequelize.close();
    },
  };
}

const IMMEDIATE = 'IMMEDIATE' as Transaction.TYPES;

function checkFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
    // A read-only file system passes the check above when one is root.
    const probe = join(folder, `.probe-${randomUUID()}`);
    writeFileSync(probe, '');
    rmSync(probe);
  } catch {
    throw new FolderError(
      `The folder ${folder} cannot be written. Set LONGBAR_DATA to one that can.`,
    );
  }
}

type RawConnection = {
  uuid?: string;
  run(sql: string, done: (error: Error | null) => void): void;
};
type ConnectionManager = {
  getConnection(options: { uuid?: string }): Promise<RawConnection>;
  releaseConnection(connection: RawConnection): void;
};

/**
 * One connection reads and one writes, both kept open. Sequelize opens one for each transaction
 * and closes it after, which costs more than a small write does, and has no hook for the
 * pragmas of SQLite's.
 */
function keepConnections(sequelize: Sequelize): void {
  const manager = (sequelize as unknown as { connectionManager: ConnectionManager })
    .connectionManager;
  const open = manager.getConnection.bind(manager);
  const prepared = new WeakSet<object>();
  manager.getConnection = async ({ uuid, ...options }) => {
    const connection = await open({ ...options, ...(uuid !== undefined && { uuid: WRITER }) });
    if (!prepared.has(connection)) {
      for (const pragma of PRAGMAS) await run(connection, pragma);
      prepared.add(connection);
    }
    return connection;
  };
  manager.releaseConnection = () => undefined;
}

/** Transactions stand in line, so that one connection serves them all. */
const WRITER = 'writer';

function run(connection: RawConnection, sql: string): Promise<void> {
  return new Promise((resolve, reject) => {
    connection.run(sql, (error) => (error ? reject(error) : resolve()));
  });
}
