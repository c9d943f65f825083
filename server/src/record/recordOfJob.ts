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
    db.tables.events.findAll({ where: { job: id }, order: ['serial'] }),
  ]);
  const events = rows.map((row): JobEvent => row.get().body);
  // Of the very entries that are told: one may have come late since the rest was read.
  const late = rows.map((row) => row.get()).flatMap((row) => (row.late ? [row.id] : []));
  return { context, record: recordOf(begunOf({ ...context, late }), events) };
}
