import type { Transaction } from 'sequelize';
import type { Database, OfShop } from './sql/database';

/*
 * Who writes says here what has changed by it, in the same transaction; what is derived from
 * that is worked out anew when it is next read.
 */

/** A job has begun, or its journal has grown. What rests on it is old once it is worked out. */
export async function journalGrew(
  db: Database,
  { id, machine, at }: { id: string; machine: string; at: string },
  transaction: Transaction,
): Promise<void> {
  await db.run(
    `INSERT INTO job_reads (shop, job, machine, at, stale, summary, "check")
     VALUES ($shop, $1, $2, $3, 1, '{}', '{}')
     ON CONFLICT (shop, job) DO UPDATE SET stale = 1 WHERE job_reads.stale <> 1`,
    [id, machine, at],
    transaction,
  );
}

/** The shop's rules have changed: where each open job stands may have. */
export async function openJobsChanged(db: Database, transaction: Transaction): Promise<void> {
  await db.run(
    `UPDATE job_reads SET stale = 1
     WHERE shop = $shop AND ${db.dialect.field('summary', 'signed')} IS NULL`,
    [],
    transaction,
  );
}

/** What is read of a job is worked out anew: its machine, and its type of engine, rest on it. */
export async function jobChanged(
  db: Database,
  { machine, sheet }: { machine: string; sheet: string },
  transaction: Transaction,
): Promise<void> {
  await db.run(
    `INSERT INTO sheet_reads (shop, sheet, stale, lockPairs) VALUES ($shop, $1, 1, '[]')
     ON CONFLICT (shop, sheet) DO UPDATE SET stale = 1`,
    [sheet],
    transaction,
  );
  await machineChanged(db, machine, transaction);
}

/** The hours, the meter, the sheet or the known drift of a machine have changed. */
export async function machineChanged(
  db: Database,
  machine: string,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    `INSERT INTO machine_reads (shop, machine, day, line, page) VALUES ($shop, $1, '', '{}', '{}')
     ON CONFLICT (shop, machine) DO UPDATE SET day = ''`,
    [machine],
    transaction,
  );
}

/** The shop goes by another clock: on which day something was done may have changed. */
export async function clockChanged(db: Database, transaction: Transaction): Promise<void> {
  await db.run("UPDATE machine_reads SET day = '' WHERE shop = $shop", [], transaction);
  await riskChanged(db, transaction);
}

/** The shop takes another risk: when each machine is to be looked at is worked out anew. */
export async function riskChanged(db: Database, transaction: Transaction): Promise<void> {
  await db.run("UPDATE machine_drift SET job = '' WHERE shop = $shop", [], transaction);
}

/** The signed checks of a machine have changed, or the meter they are counted by. */
export async function checksChanged(
  db: Database,
  machine: string,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    "UPDATE machine_drift SET job = '' WHERE shop = $shop AND machine = $1",
    [machine],
    transaction,
  );
}

/** A sheet has a new revision: every machine that goes by it says so. */
export async function sheetChanged(
  db: Database,
  sheet: string,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    `UPDATE machine_reads SET day = '' WHERE shop = $shop
       AND machine IN (SELECT id FROM machines WHERE shop = $shop AND sheet = $1)`,
    [sheet],
    transaction,
  );
}

/** A machine goes: what is read of it goes with it. */
export async function forgetMachine(
  db: Database,
  machine: string,
  transaction: Transaction,
): Promise<void> {
  for (const table of ['machine_reads', 'machine_drift'] as const) {
    const sql = `DELETE FROM ${table} WHERE shop = $shop AND machine = $1` as const;
    await db.run(sql, [machine], transaction);
  }
  await db.run('DELETE FROM set_aside WHERE shop = $shop AND id = $1', [machine], transaction);
}

/** Every table of what is derived. */
const DERIVED = [
  'job_words',
  'job_reads',
  'machine_reads',
  'sheet_reads',
  'machine_drift',
  'set_aside',
] as const;

/** Empties every table of what is derived. */
export async function emptyDerived(db: Database, transaction: Transaction): Promise<void> {
  for (const table of DERIVED) {
    await db.run(`DELETE FROM ${table} WHERE shop = $shop`, [], transaction);
  }
}

/** Forgets all that is derived: it is worked out anew when it is next read. */
export async function forget(db: Database, transaction: Transaction): Promise<void> {
  const run = (sql: OfShop) => db.run(sql, [], transaction);
  await emptyDerived(db, transaction);
  await run(
    `INSERT INTO job_reads (shop, job, machine, at, stale, summary, "check")
     SELECT shop, id, machine, at, 1, '{}', '{}' FROM jobs WHERE shop = $shop`,
  );
  await run(
    `INSERT INTO machine_reads (shop, machine, day, line, page)
     SELECT shop, id, '', '{}', '{}' FROM machines WHERE shop = $shop`,
  );
  await run(
    `INSERT INTO sheet_reads (shop, sheet, stale, lockPairs)
     SELECT DISTINCT shop, sheet, 1, '[]' FROM jobs WHERE shop = $shop`,
  );
}
