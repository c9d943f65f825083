import { ignore } from '@longbar/core';
import { ConnectionError, Sequelize } from 'sequelize';
import type { Transaction } from 'sequelize';
import sqlite from 'sqlite3';
import * as v from 'valibot';
import { dataFile, FolderError, wayBack } from '../dataFile';
import type { Backend, Look } from '../backend';
import { begunAt, Within } from '../backend';
import { countAcknowledged } from './acknowledged';
import type { Connection } from './connections';
import { openConnection, PRAGMAS } from './connections';
import { SQLITE } from './dialect';
import { upgrade } from './upgrade';

/**
 * Opens the database file of `folder`; both are made where they are missing, if `mayMake`. One
 * connection reads and one writes, one transaction after the other; what takes long has its own.
 * Throws FolderError.
 */
export async function openSqlite(folder: string, mayMake = true): Promise<Backend> {
  const make = (fresh: string) => makeDatabase(fresh, folder);
  const file = await dataFile(folder, mayMake ? make : undefined);
  const sequelize = connect(file);
  await upgraded(sequelize, folder);
  const [reader, writer] = [await openConnection(file), await openConnection(file)];
  const underWay = new Map<Transaction, Connection>();
  const { inLine, ended } = queueOn(sequelize, writer, underWay);
  const acknowledged = await countAcknowledged(folder, (sql, bind = []) => reader.all(sql, bind));
  return {
    dialect: SQLITE,
    sequelize,
    async all(sql, bind, shop, within) {
      const connection = within ? underWay.get(within) : reader;
      if (!connection) throw new Error('This transaction has ended.');
      return connection.all(sql, bind, shop);
    },
    transact: (_, work) => inLine(work),
    async asItIs() {
      const own = await openConnection(file);
      const models = connect(file);
      const within = new Within(models, own.driver);
      underWay.set(within, own);
      const end = async () => {
        underWay.delete(within);
        await own.close();
      };
      return begunAt({ within, sequelize: models, end }, (sql) => own.all(sql, []), 'BEGIN');
    },
    // One process serves a file: whatever else opens it is waited for by the clock.
    tell: () => undefined,
    hear: () => undefined,
    alone: (_, work) => work(),
    kept: () => acknowledged.kept(),
    lost: acknowledged.lost,
    look: (thorough) => look(reader, thorough),
    async copyInto(into) {
      // By the one connection that reads, everybody would wait for it, on a slow disk for half a minute.
      const own = await openConnection(file);
      try {
        await own.all('VACUUM INTO $1', [into]);
      } finally {
        await own.close();
      }
    },
    wayBack: () => wayBack(folder),
    async close() {
      await ended();
      await acknowledged.close();
      // One after the other: two that close at once find each other, and leave the log unfolded.
      for (const connection of [writer, reader, sequelize]) await connection.close();
    },
  };
}

/**
 * One transaction after the other, for parallel ones on SQLite end in SQLITE_BUSY. They are begun
 * and ended here: Sequelize's own take as long for that as an append for all the rest.
 */
function queueOn(sequelize: Sequelize, writer: Connection, underWay: Map<Transaction, Connection>) {
  let last: Promise<unknown> = Promise.resolve();
  const alone = async <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
    const transaction = new Within(sequelize, writer.driver);
    await writer.all('BEGIN IMMEDIATE', []);
    underWay.set(transaction, writer);
    try {
      const answer = await work(transaction);
      await writer.all('COMMIT', []);
      return answer;
    } catch (error) {
      // A full disk has rolled it back already.
      await writer.all('ROLLBACK', []).catch(ignore('nothing is left to roll back'));
      throw error;
    } finally {
      underWay.delete(transaction);
    }
  };
  return {
    inLine<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
      const mine = last.then(() => alone(work));
      last = mine.catch(ignore('who asked for it is told'));
      return mine;
    },
    ended: () => last,
  };
}

/** One column, of whatever name. */
const SaidSchema = v.record(v.string(), v.string());
const OrphanSchema = v.object({ table: v.string() });

/** Structure and, thoroughly, indexes and what belongs to what: a row of which table does not. */
async function look(reader: Connection, thorough: boolean): Promise<Look> {
  const pragma = thorough ? 'PRAGMA integrity_check(1)' : 'PRAGMA quick_check(1)';
  try {
    const [row] = await reader.all(pragma, []);
    const [said] = Object.values(v.parse(SaidSchema, row));
    if (said !== 'ok') return { damage: String(said), orphans: [] };
  } catch (error) {
    return { damage: error instanceof Error ? error.message : String(error), orphans: [] };
  }
  const rows = thorough ? await reader.all('PRAGMA foreign_key_check', []) : [];
  const orphans = rows.map((row) => v.parse(OrphanSchema, row).table);
  return { damage: null, orphans: [...new Set(orphans)] };
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
