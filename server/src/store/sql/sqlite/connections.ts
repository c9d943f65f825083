import { ignore } from '@longbar/core';
import sqlite from 'sqlite3';

/** SQLite forgets all of these but the first when a connection closes, so each one is told them. */
export const PRAGMAS = [
  'PRAGMA journal_mode = WAL',
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
  'PRAGMA busy_timeout = 5000',
  // A big yard is read all over: 64 MB of it stay at hand.
  'PRAGMA cache_size = -65536',
];

/** How many statements a connection keeps prepared; what is made up as it goes comes and goes. */
const PREPARED = 200;

/**
 * A connection that keeps its statements prepared: to prepare one costs as much as a small one
 * takes. `driver` is the same connection, for Sequelize's models.
 */
export type Connection = {
  driver: sqlite.Database;
  /** All rows of a plain statement; `$1` is bound, and `$shop` where it stands in it. */
  all(sql: string, bind: readonly unknown[], shop?: number): Promise<unknown[]>;
  close(): Promise<void>;
};

/** A statement, and what is bound in it in the order in which it asks for that. */
type Prepared = { statement: sqlite.Statement; asks: readonly string[] };

/** Opens a connection to a database that is there. */
export async function openConnection(file: string): Promise<Connection> {
  const driver = await new Promise<sqlite.Database>((resolve, reject) => {
    const opened: sqlite.Database = new sqlite.Database(file, sqlite.OPEN_READWRITE, (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  const statements = new Map<string, Promise<Prepared>>();
  const prepared = (sql: string) => {
    const known = statements.get(sql);
    if (known) return known;
    const made = prepare(driver, sql);
    statements.set(sql, made);
    made.catch(() => statements.delete(sql));
    if (statements.size > PREPARED) void forgetFirst(statements);
    return made;
  };
  const connection: Connection = {
    driver,
    async all(sql: string, bind: readonly unknown[], shop?: number) {
      const { statement, asks } = await prepared(sql);
      const bound = asks.map((name) => (name === 'shop' ? shop : bind[Number(name) - 1]));
      return new Promise<unknown[]>((resolve, reject) => {
        statement.all(bound, (error, rows) => (error ? reject(error) : resolve(rows)));
      });
    },
    async close() {
      while (statements.size > 0) await forgetFirst(statements);
      await new Promise<void>((resolve, reject) => {
        driver.close((error) => (error ? reject(error) : resolve()));
      });
    },
  };
  for (const pragma of PRAGMAS) await connection.all(pragma, []);
  return connection;
}

function prepare(driver: sqlite.Database, sql: string): Promise<Prepared> {
  // SQLite numbers names as they come up in the statement, whatever number stands in them.
  const asks = [...new Set([...sql.matchAll(/\$(\d+|shop)\b/g)].map(([, name = '']) => name))];
  return new Promise((resolve, reject) => {
    const statement: sqlite.Statement = driver.prepare(sql, (error: Error | null) =>
      error ? reject(error) : resolve({ statement, asks }),
    );
  });
}

/** Lets go of the statement that was prepared first; one under way ends before. */
async function forgetFirst(statements: Map<string, Promise<Prepared>>): Promise<void> {
  const [first] = statements;
  if (!first) return;
  const [sql, made] = first;
  statements.delete(sql);
  const known = await made.catch(ignore('who asked for it is told'));
  await new Promise<void>((resolve) => {
    if (known) known.statement.finalize(() => resolve());
    else resolve();
  });
}
