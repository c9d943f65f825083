import * as v from 'valibot';
import type { Database } from './database';

/** A quick look at the structure of the file; what is damaged is not written to any more. */
export async function quickLook(db: Database): Promise<void> {
  await look(db, 'PRAGMA quick_check(1)');
}

/**
 * A look at the whole file, of all shops: structure and indexes, and what belongs to what. Answers
 * what is spoiled in a file that is whole; what is damaged is not written to any more.
 */
export async function lookAtFile(db: Database): Promise<string[]> {
  await look(db, 'PRAGMA integrity_check(1)');
  if (db.damage() !== null) return [];
  const orphans = await db.whole.rows(v.object({ table: v.string() }), 'PRAGMA foreign_key_check');
  const tables = [...new Set(orphans.map(({ table }) => table))];
  return tables.map((table) => `A row of ${table} belongs to nothing.`);
}

/** One column, of whatever name. */
const SaidSchema = v.record(v.string(), v.string());

async function look(db: Database, pragma: string): Promise<void> {
  try {
    const [row = {}] = await db.whole.rows(SaidSchema, pragma);
    const [said] = Object.values(row);
    if (said !== 'ok') db.foundDamaged(String(said));
  } catch (error) {
    db.foundDamaged(error instanceof Error ? error.message : String(error));
  }
}
