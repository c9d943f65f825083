import type { JobContext, JobEvent, JobRecord } from '@longbar/core';
import { begunOf, localDay, recordOf } from '@longbar/core';
import * as v from 'valibot';
import { truth } from '../store/sql/columns';
import type { Database } from '../store/sql/database';
import { readJob } from '../store/derived/readJob';

const EntrySchema = v.object({ id: v.string(), late: truth, body: v.string() });

/** The record of a job from its journal, and what the job began with: for PDF, CSV and archive. */
export async function recordOfJob(
  db: Database,
  id: string,
): Promise<{ context: JobContext; record: JobRecord }> {
  const [context, rows] = await Promise.all([
    readJob(db, id, localDay(new Date())),
    db.rows(
      EntrySchema,
      `SELECT id, late, CAST(body AS TEXT) AS body FROM events
       WHERE shop = $shop AND job = $1 ORDER BY serial`,
      [id],
    ),
  ]);
  const events = rows.map(({ body }): JobEvent => JSON.parse(body));
  // Of the very entries that are told: one may have come late since the rest was read.
  const late = rows.flatMap((row) => (row.late ? [row.id] : []));
  return { context, record: recordOf(begunOf({ ...context, late }), events) };
}
