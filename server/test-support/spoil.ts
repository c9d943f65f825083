import type { Database } from '../src/store/sql/database';

/** Puts one thing wrong by a statement on a machine (`$1`), and has all that is read worked out anew. */
export async function spoil(db: Database, sql: string, machine: string): Promise<void> {
  await db.write(async (transaction) => {
    await db.whole.run(sql, [machine], transaction);
    await db.whole.run("UPDATE machine_reads SET day = ''", [], transaction);
    await db.whole.run('UPDATE job_reads SET stale = 1', [], transaction);
  });
}
