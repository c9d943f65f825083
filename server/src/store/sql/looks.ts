import type { Database } from './database';

/** A quick look at the structure of the file; what is damaged is not written to any more. */
export async function quickLook(db: Database): Promise<void> {
  const { damage } = await db.look(false);
  if (damage !== null) db.foundDamaged(damage);
}

/**
 * A look at the whole file, of all shops: structure and indexes, and what belongs to what. Answers
 * what is spoiled in a file that is whole; what is damaged is not written to any more.
 */
export async function lookAtFile(db: Database): Promise<string[]> {
  const { damage, orphans } = await db.look(true);
  if (damage !== null) db.foundDamaged(damage);
  return orphans.map((table) => `A row of ${table} belongs to nothing.`);
}
