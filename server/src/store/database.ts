import { ignore } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { accessSync, constants, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize';
import { allOf, keepConnections } from './connections';
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
  /** The same, for what is only derived from what others wrote. */
  derive(work: (transaction: Transaction) => Promise<void>): Promise<void>;
  /** How many writes are kept: the same number again, and there is nothing new to derive. */
  writes(): number;
  /** Writes a consistent copy of all that is kept into a new file, while the work goes on. */
  copyInto(file: string): Promise<void>;
  close(): Promise<void>;
};

/** Opens the database in `folder`, making both if need be. Throws FolderError. */
export async function openDatabase(folder: string): Promise<Database> {
  checkFolder(folder);
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: join(folder, 'longbar.sqlite'),
    logging: false,
  });
  const connection = keepConnections(sequelize);
  await migrate(sequelize);
  const tables = defineTables(sequelize);
  let last: Promise<unknown> = Promise.resolve();
  let kept = 0;
  // Parallel transactions on SQLite end in SQLITE_BUSY, so they stand in line.
  const inLine = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
    const mine = last.then(() => sequelize.transaction({ type: IMMEDIATE }, work));
    last = mine.catch(ignore('who asked for it is told'));
    return mine;
  };
  return {
    tables,
    rows: async (sql, bind = [], within) => allOf(await connection(within), sql, bind),
    run: async (sql, bind, within) => {
      await allOf(await connection(within), sql, bind);
    },
    writes: () => kept,
    async write(work) {
      const answer = await inLine(work);
      // Counted once it is kept, and before it is answered: who reads meanwhile has not seen it.
      kept += 1;
      return answer;
    },
    derive: (work) => inLine(work),
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
