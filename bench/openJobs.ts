import { beginJob } from '../server/src/store/journal/jobs';
import type { Database } from '../server/src/store/sql/database';
import { machineChanged } from '../server/src/store/stale';

/** Begins so many jobs to append to, each at another machine of a shop. Answers their ids. */
export async function beginAppending(db: Database, many: number): Promise<string[]> {
  const at = new Date().toISOString();
  const machines = await db.tables.machines.findAll({ order: ['id'], limit: many });
  const jobs: string[] = [];
  for (const { id: machine, sheetRevision } of machines.map((row) => row.get())) {
    const id = crypto.randomUUID();
    await beginJob(db, { id, machine, method: 'each', by: 'Ina', at, sheetRevision });
    jobs.push(id);
  }
  return jobs;
}

/** Takes them away again with all that was appended, so that the next run finds the same yard. */
export async function endAppending(db: Database, jobs: readonly string[]): Promise<void> {
  await db.write(async (transaction) => {
    for (const job of jobs) {
      const machine = (await db.tables.jobs.findByPk(job, { transaction }))?.get().machine;
      for (const table of ['job_words', 'job_reads', 'events'] as const) {
        const sql = `DELETE FROM ${table} WHERE shop = $shop AND job = $1` as const;
        await db.run(sql, [job], transaction);
      }
      await db.run('DELETE FROM jobs WHERE shop = $shop AND id = $1', [job], transaction);
      if (machine !== undefined) await machineChanged(db, machine, transaction);
    }
  });
}
