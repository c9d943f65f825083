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
  const orphans = await db.whole.rows<{ table: string }>('PRAGMA foreign_key_check');
  const tables = [...new Set(orphans.map(({ table }) => table))];
  return tables.map((table) => `A row of ${table} belongs to nothing.`);
}

async function look(db: Database, pragma: string): Promise<void> {
  try {
    const rows = await db.whole.rows<object>(pragma);
    const [said] = rows.flatMap((row): unknown[] => Object.values(row));
    if (said !== 'ok') db.foundDamaged(String(said));
  } catch (error) {
    db.foundDamaged(error instanceof Error ? error.message : String(error));
  }
}
