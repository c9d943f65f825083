import type { AdjusterState, EngineSheet, JobEvent } from '@longbar/core';
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
 * Every reading of every signed job as CSV (RFC 4180), one adjuster a line, job by job as they
 * are read: lengths in µm, a preload in mN·m, an open end empty.
 */
export async function* readingsCsv(db: Database): AsyncGenerator<string> {
  const [machines, jobs] = await Promise.all([
    db.tables.machines.findAll(),
    db.tables.jobs.findAll({ order: [['at', 'ASC']] }),
  ]);
  const names = new Map(machines.map((row) => [row.get().id, row.get().name]));
  yield csv([COLUMNS]);
  for (const row of jobs) {
    const job = row.get();
    const [sheet, events] = await Promise.all([
      readSheet(db, job.sheet, job.sheetRevision),
      db.tables.events.findAll({ where: { job: job.id } }),
    ]);
    const state = foldJob(events.map((event): JobEvent => event.get().body));
    if (!state.signed || !sheet) continue;
    const whole = [names.get(job.machine), sheet.document.name, job.id, state.signed.at];
    const lines = Object.entries(state.adjusters).map(([id, adjuster]) => [
      ...whole,
      state.hours?.hours,
      ...readingsOfOne(sheet.document, id, adjuster),
    ]);
    yield csv(lines);
  }
}

function readingsOfOne(sheet: EngineSheet, id: string, state: AdjusterState): unknown[] {
  const { found } = state;
  const left = standingReading(state);
  const spec = specOf(sheet, id);
  return [
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
  ];
}

function csv(lines: readonly unknown[][]): string {
  return stringify([...lines], { record_delimiter: 'windows' });
}
