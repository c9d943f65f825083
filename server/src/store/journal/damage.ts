import { standingOf } from './arrival';
import type { Database } from '../sql/database';
import { sealOf } from './seal';

/** A quick look at the structure of the file; what is damaged is not written to any more. */
export async function quickLook(db: Database): Promise<void> {
  await look(db, 'PRAGMA quick_check(1)');
}

/**
 * A look at all of it: structure and indexes, what belongs to what, that every document can be
 * read, and that each signed job still has its seal. Answers what is spoiled in a file that is
 * whole, each by its name; what is damaged is not written to any more.
 */
export async function thoroughLook(db: Database): Promise<string[]> {
  await look(db, 'PRAGMA integrity_check(1)');
  if (db.damage() !== null) return [];
  const orphans = await db.rows<{ table: string }>('PRAGMA foreign_key_check');
  const tables = [...new Set(orphans.map(({ table }) => table))];
  return [
    ...tables.map((table) => `A row of ${table} belongs to nothing.`),
    ...(await unreadable(db)),
    ...(await brokenSeals(db)),
  ];
}

/** Each document of what is written down: its table and column, and what the row is known by. */
const DOCUMENTS = [
  ['events', 'body', 'job'],
  ['sheets', 'document', 'id'],
  ['machines', 'baseline', 'name'],
  ['machines', 'about', 'name'],
  ['machines', 'meter', 'name'],
] as const;

async function unreadable(db: Database): Promise<string[]> {
  const found: string[] = [];
  for (const [table, column, key] of DOCUMENTS) {
    const rows = await db.rows<{ key: string }>(
      `SELECT DISTINCT ${key} AS key FROM ${table}
       WHERE ${column} IS NOT NULL AND NOT json_valid(${column}) LIMIT 20`,
    );
    found.push(...rows.map((row) => `${table} ${row.key}: its ${column} cannot be read.`));
  }
  return found;
}

async function look(db: Database, pragma: string): Promise<void> {
  try {
    const rows = await db.rows<object>(pragma);
    const [said] = rows.flatMap((row): unknown[] => Object.values(row));
    if (said !== 'ok') db.foundDamaged(String(said));
  } catch (error) {
    db.foundDamaged(error instanceof Error ? error.message : String(error));
  }
}

/** The signed jobs whose events have no longer the seal they were signed with. */
async function brokenSeals(db: Database): Promise<string[]> {
  const sealed = await db.rows<{ id: string; seal: string }>(
    'SELECT id, seal FROM jobs WHERE seal IS NOT NULL',
  );
  const found: string[] = [];
  for (const { id, seal } of sealed) {
    if (sealOf(await standingOf(db, id)) !== seal)
      found.push(`The signed job ${id} has lost its seal.`);
  }
  return found;
}
