import type { JobContext, JobEvent, JobRecord } from '@longbar/core';
import { begunOf, localDay, recordOf } from '@longbar/core';
import type { Database } from '../store/sql/database';
import { readJob } from '../store/derived/readJob';

/** The record of a job from its journal, and what the job began with: for PDF, CSV and archive. */
export async function recordOfJob(
  db: Database,
  id: string,
): Promise<{ context: JobContext; record: JobRecord }> {
  const [context, rows] = await Promise.all([
    readJob(db, id, localDay(new Date())),
    db.tables.events.findAll({ where: { job: id } }),
  ]);
  const events = rows.map((row): JobEvent => row.get().body);
  return { context, record: recordOf(begunOf(context), events) };
}
