import type { Sequelize, Transaction } from 'sequelize';

/** Every connection gets these; SQLite forgets all but the first between connections. */
const PRAGMAS = [
  'PRAGMA journal_mode = WAL',
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
  'PRAGMA busy_timeout = 5000',
  // A big yard is read all over: 64 MB of it stay at hand.
  'PRAGMA cache_size = -65536',
];

/** The driver's own connection. */
export type Connection = {
  uuid?: string;
  all<Row>(sql: string, bind: unknown[], done: (error: Error | null, rows: Row[]) => void): void;
  close(done: (error: Error | null) => void): void;
};
type ConnectionManager = {
  connections: Record<string, Connection>;
  refreshTypeParser(types: object): void;
  getConnection(options: { uuid?: string }): Promise<Connection>;
  releaseConnection(connection: Connection): void;
  close(): Promise<void>;
};

/** A document that is no JSON any more is read as null: one spoiled row stops no other. */
export function readSpoiledAsNull(sequelize: Sequelize): void {
  managerOf(sequelize).refreshTypeParser({
    JSON: { key: 'JSON', types: { sqlite: ['JSON'] }, parse: jsonOrNull },
  });
}

function jsonOrNull(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // Read again and again: the nightly look names it once.
    return null;
  }
}

function managerOf(sequelize: Sequelize): ConnectionManager {
  // Its own types do not tell that it may be held open.
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions
  return (sequelize as unknown as { connectionManager: ConnectionManager }).connectionManager;
}

/**
 * One connection reads and one writes, both kept open. Sequelize opens one for each transaction
 * and closes it after, which costs more than a small write does, and has no hook for the
 * pragmas of SQLite's. Answers which one a statement goes by.
 */
export function keepConnections(
  sequelize: Sequelize,
): (within?: Transaction) => Promise<Connection> {
  const manager = managerOf(sequelize);
  const open = manager.getConnection.bind(manager);
  const prepared = new WeakSet<object>();
  manager.getConnection = async ({ uuid, ...options }) => {
    const connection = await open({ ...options, ...(uuid !== undefined && { uuid: WRITER }) });
    if (!prepared.has(connection)) {
      for (const pragma of PRAGMAS) await allOf(connection, pragma, []);
      prepared.add(connection);
    }
    return connection;
  };
  manager.releaseConnection = () => undefined;
  const close = manager.close.bind(manager);
  manager.close = async () => {
    // One after the other: two that close at once find each other, and leave the log unfolded.
    for (const [name, connection] of Object.entries(manager.connections)) {
      delete manager.connections[name];
      await new Promise<void>((resolve, reject) => {
        connection.close((error) => (error ? reject(error) : resolve()));
      });
    }
    await close();
  };
  return async (within) => (within ? Reflect.get(within, 'connection') : manager.getConnection({}));
}

/** Transactions stand in line, so that one connection serves them all. */
const WRITER = 'writer';

/** All rows of a plain statement. */
export function allOf<Row>(connection: Connection, sql: string, bind: unknown[]): Promise<Row[]> {
  return new Promise((resolve, reject) => {
    connection.all<Row>(sql, bind, (error, rows) => (error ? reject(error) : resolve(rows)));
  });
}
