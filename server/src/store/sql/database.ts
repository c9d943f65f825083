import type { Transaction } from 'sequelize';
import * as v from 'valibot';
import { RequestError } from '../../requestError';
import type { Summarise } from '../../jobRead/summary';
import { summarise } from '../../jobRead/summary';
import { readRows } from './columns';
import type { Dialect } from './dialect';
import type { Backend, Look, Past } from './backend';
import type { Others } from './others';
import { othersOf, tellingAfter } from './others';
import { openPostgres } from './postgres/backend';
import { openSqlite } from './sqlite/backend';
import type { Tables } from './tables';
import { defineTables } from './tables';

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

/** What a write holds besides its whole shop: another shop too; or, instead, some jobs of it alone. */
export type Besides = { also: Database } | { jobs: readonly string[] };

/**
 * One shop of an open database: its tables, and how it is written. In its statements `$shop` is its
 * number on this server.
 */
export type Database = Asked<OfShop> & {
  /** The number of the shop on this server, in every row that is its own. */
  shop: number;
  /** Another shop of the same database. */
  of(shop: number): Database;
  /** The whole database: statements about the file or about all shops, and writes of any of them. */
  whole: Asked<string> & {
    writes(): number;
    /** How many writes of what jobs share are known, here and in other processes. */
    changes(): number;
  };
  tables: Tables;
  /** How this database says what each says in its own way. */
  dialect: Dialect;
  /**
   * Runs `work` in a transaction, kept once it answers. Nobody else writes the shop meanwhile; one
   * that names jobs is beside others of other jobs, and changes nothing that they share.
   */
  write<T>(work: (transaction: Transaction) => Promise<T>, besides?: Besides): Promise<T>;
  /** The same, for what is only derived from what others wrote. */
  derive(work: (transaction: Transaction) => Promise<void>): Promise<void>;
  /**
   * The shop as it is now, to be read at leisure while others write on, until it is ended. Nothing is
   * written to it, and what is derived stays as it stands.
   */
  asItIs(): Promise<{ db: Database; end(): Promise<void> }>;
  /** It is a shop as it was: nothing is written to it. */
  isPast: boolean;
  /** Other processes on the same database, as far as they are about this shop. */
  others: Others;
  /** Does something of this shop that one process at a time does, once no other is at it. */
  alone(what: string, work: () => Promise<void>): Promise<void>;
  /** Reads a job from its journal, a long one where nobody waits for it. */
  summarise: Summarise;
  /** How many writes are known to be kept: the same number again, and nothing new is to be derived. */
  writes(): number;
  /** Writes a consistent copy of all that is kept into a new file, while the work goes on. */
  copyInto(file: string): Promise<void>;
  /** Looks at the structure of what is kept, quickly or at all of it. */
  look(thorough: boolean): Promise<Look>;
  /** What was found wrong with it, for a person; null while it is whole. */
  damage(): string | null;
  /** It was found damaged: it is read as far as it can be, and nothing is written any more. */
  foundDamaged(why: string): void;
  /** How many events phones were told are kept, and are not: found when it was opened. */
  lost: number;
  /** It was closed, or is about to be: nothing is found in it any more. */
  isClosed(): boolean;
  close(): Promise<void>;
};

/** How a database is opened: how jobs are read, and where it is, if not in its folder. */
export type OpenOptions = {
  reading?: Summarise | undefined;
  /** A PostgreSQL database, by its address. */
  url?: string | undefined;
  /** How long a connection to it may say nothing until it is given up, ms. */
  patience?: number;
  /** Whether a file is made where there is none; it is, unless said. */
  mayMake?: boolean;
};

/**
 * Opens the database in `folder`, making both if need be, or the one at `url`, and answers its first
 * shop. Throws FolderError.
 */
export async function openDatabase(
  folder: string,
  { reading = summarise, url, patience, mayMake }: OpenOptions = {},
): Promise<Database> {
  const backend = await (url === undefined
    ? openSqlite(folder, mayMake)
    : openPostgres(url, patience));
  return shopsOn(backend, reading)(FIRST_SHOP);
}

/** The shop that a database is made with. */
const FIRST_SHOP = 1;

/** What other processes are told of a shop that was written: what, if it was no more than jobs. */
const WROTE = 'wrote';
const JOBS = 'jobs';

/** The shops of an open database, by their numbers. */
function shopsOn(backend: Backend, reading: Summarise): (shop: number) => Database {
  let damage: string | null = null;
  let closing: Promise<void> | undefined;
  const refuseDamaged = () => {
    if (damage !== null) throw new RequestError(503, damage);
  };
  // Who comes once it is being closed would begin on a connection that goes away under it.
  const refuseClosed = () => {
    if (closing) throw new Error('The database is closed.');
  };
  let [all, changes] = [0, 0];
  const whole = { ...askedOf(backend), writes: () => all, changes: () => changes };
  backend.hear((told) => {
    if (!told || (told.topic === WROTE && told.said !== JOBS)) changes += 1;
  });
  const shops = new Map<number, Database>();
  const shared = {
    whole,
    dialect: backend.dialect,
    summarise: reading,
    copyInto: (file: string) => backend.copyInto(file),
    look: (thorough: boolean) => backend.look(thorough),
    lost: backend.lost,
    damage: () => damage,
    foundDamaged(why: string) {
      damage ??= `The server’s database is damaged (${why}). Nothing more is written to it. ${backend.wayBack()}`;
    },
    isClosed: () => closing !== undefined,
    close: () => (closing ??= backend.close()),
  };
  return function of(shop: number): Database {
    const known = shops.get(shop);
    if (known) return known;
    let kept = 0;
    const others = othersOf(backend, shop);
    const heard = () => {
      kept += 1;
    };
    others.hear(WROTE, v.unknown(), heard, heard);
    const transact = async <T>(
      work: (transaction: Transaction) => Promise<T>,
      besides?: Besides,
    ) => {
      refuseClosed();
      const also = besides && 'also' in besides ? [besides.also.shop] : [];
      const jobs = besides && 'jobs' in besides ? besides.jobs : undefined;
      const holding = { shops: [shop, ...also], jobs };
      return tellingAfter(() =>
        backend.transact(holding, async (transaction) => {
          refuseDamaged();
          return work(transaction);
        }),
      );
    };
    const made: Database = {
      ...askedOf(backend, shop),
      ...shared,
      of,
      shop,
      tables: defineTables(backend.sequelize, shop),
      writes: () => kept,
      others,
      alone: (what, work) => backend.alone(`${what} ${shop}`, work),
      isPast: false,
      asItIs: async () => {
        const past = await backend.asItIs();
        return { db: pastOf(made, backend, past), end: past.end };
      },
      derive: (work) => transact(work),
      async write(work, besides) {
        const answer = await transact(work, besides);
        // Counted once it is kept, and before it is answered: who reads meanwhile has not seen it.
        const ofJobs = besides !== undefined && 'jobs' in besides;
        kept += 1;
        all += 1;
        if (!ofJobs) changes += 1;
        backend.kept();
        others.tell(WROTE, ofJobs ? JOBS : undefined);
        return answer;
      },
    };
    shops.set(shop, made);
    return made;
  };
}

/** A shop as it is in a transaction that reads. */
function pastOf(db: Database, backend: Backend, { within, sequelize }: Past): Database {
  const refuse = () => Promise.reject(new Error('Nothing is written to a shop as it was.'));
  return {
    ...db,
    ...askedOf(backend, db.shop, within),
    tables: defineTables(sequelize, db.shop, within),
    isPast: true,
    write: refuse,
    derive: refuse,
  };
}

/** Plain statements of one shop, or of all; those that name no transaction are asked in `always`. */
function askedOf(backend: Backend, shop?: number, always?: Transaction): Asked<string> {
  return {
    rows: async (schema, sql, bind = [], within = always) =>
      readRows(schema, await backend.all(sql, bind, shop, within)),
    some: async (sql, bind = [], within = always) =>
      (await backend.all(`${sql} LIMIT 1`, bind, shop, within)).length > 0,
    run: async (sql, bind, within) => {
      await backend.all(sql, bind, shop, within);
    },
  };
}
