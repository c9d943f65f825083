import type { Sequelize } from 'sequelize';
import { Transaction } from 'sequelize';
import type { Dialect } from './dialect';
import type { Hearing } from './others';

/**
 * What a transaction holds until it ends: its shops, which nobody else writes meanwhile. With jobs
 * it holds those, and its shops together with others who hold other jobs.
 */
export type Holding = { shops: readonly number[]; jobs?: readonly string[] | undefined };

/** What was found when the database was looked at. */
export type Look = { damage: string | null; orphans: string[] };

/** An open database, whichever it is: what all that is done in it is done by. */
export type Backend = Hearing & {
  dialect: Dialect;
  /** For models, which read by its connections where no transaction is named. */
  sequelize: Sequelize;
  /** All rows of a statement, within a transaction or outside of any; `$1` and `$shop` are bound. */
  all(
    sql: string,
    bind: readonly unknown[],
    shop?: number,
    within?: Transaction,
  ): Promise<unknown[]>;
  /** Runs `work` in a transaction that holds this; kept once it answers. */
  transact<T>(holding: Holding, work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** Reads all that is kept as it is now, however long that takes, while others write on. */
  asItIs(): Promise<Past>;
  /** Does something that one process at a time does, once no other is at it. */
  alone(what: string, work: () => Promise<void>): Promise<void>;
  /** Something was written and will be acknowledged. */
  kept(): void;
  /** How many events phones were told are kept, and are not: found when it was opened. */
  lost: number;
  /** Looks at the structure of what is kept, quickly or at all of it. */
  look(thorough: boolean): Promise<Look>;
  /** Writes a consistent copy of all that is kept into a new file. Throws where it cannot. */
  copyInto(file: string): Promise<void>;
  /** How a shop comes back whose database is damaged, for a person. */
  wayBack(): string;
  close(): Promise<void>;
};

/** A transaction in which all is read as it was when it began, until it is ended; by models of its own. */
export type Past = { within: Transaction; sequelize: Sequelize; end(): Promise<void> };

/** What models read and write with: their statements go by the connection of the transaction. */
export class Within<Connection> extends Transaction {
  constructor(
    sequelize: Sequelize,
    readonly connection: Connection,
  ) {
    super(sequelize, {});
  }
}

/** Begins a transaction that reads; where it cannot, its connection is ended. */
export async function begunAt(
  past: Past,
  ask: (sql: string) => Promise<unknown>,
  begin: string,
): Promise<Past> {
  try {
    await ask(begin);
    // It is of the moment at which it first reads.
    await ask('SELECT count(*) FROM shops');
    return past;
  } catch (error) {
    await past.end();
    throw error;
  }
}
