import type { JobEvent } from '@longbar/core';
import { adjusterName, foldJob, specOf, standingReading } from '@longbar/core';
import { stringify } from 'csv-stringify/sync';
import type { Database } from './database';
import { readSheet } from './sheets';

const COLUMNS = [
  'machine',
  'engine',
  'job',
  'signed',
  'hours',
  'adjuster',
  'low_um',
  'target_um',
  'high_um',
  'found_go_um',
  'found_no_go_um',
  'left_go_um',
  'left_no_go_um',
  'how',
  'by',
];

/**
 * Every reading of every signed job as CSV (RFC 4180), one adjuster a line: lengths in µm, a
 * preload in mN·m, an open end empty.
 */
export async function readingsCsv(db: Database): Promise<string> {
  const [machines, jobs] = await Promise.all([
    db.tables.machines.findAll(),
    db.tables.jobs.findAll({ order: [['at', 'ASC']] }),
  ]);
  const names = new Map(machines.map((row) => [row.get().id, row.get().name]));
  const lines: unknown[][] = [];
  for (const row of jobs) {
    const job = row.get();
    if (!job.summary.signed) continue;
    const sheet = await readSheet(db, job.sheet, job.sheetRevision);
    const events = await db.tables.events.findAll({ where: { job: job.id } });
    const { adjusters } = foldJob(events.map((event): JobEvent => event.get().body));
    for (const [id, state] of Object.entries(adjusters)) {
      const { found } = state;
      const left = standingReading(state);
      const spec = sheet && specOf(sheet.document, id);
      lines.push([
        names.get(job.machine),
        sheet?.document.name,
        job.id,
        job.summary.signed.at,
        job.summary.hours?.hours,
        adjusterName(id),
        spec?.low,
        spec?.target,
        spec?.high,
        found?.go,
        found?.noGo,
        left?.go,
        left?.noGo,
        left?.how ?? found?.how,
        found?.by,
      ]);
    }
  }
  return stringify(lines, { header: true, columns: COLUMNS, record_delimiter: 'windows' });
}
