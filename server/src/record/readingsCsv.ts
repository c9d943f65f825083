import type { JobRecord, JudgedReading, RecordedAdjuster } from '@longbar/core';
import { adjustersIn, ignore, metricUnitOf, outsideWord, recordPage } from '@longbar/core';
import { stringify } from 'csv-stringify/sync';
import type { Database } from '../store/sql/database';
import { recordOfJob } from './recordOfJob';

const COLUMNS = [
  'machine',
  'engine',
  'job',
  'signed',
  'hours',
  'tag',
  'adjuster',
  'unit',
  'low',
  'target',
  'high',
  'found_go',
  'found_no_go',
  'found_verdict',
  'left_go',
  'left_no_go',
  'left_verdict',
  'again_go',
  'again_no_go',
  'limits',
  'found',
  'left',
  'done',
  'by',
];

/**
 * Every reading of every signed job as CSV (RFC 4180), one adjuster a line, job by job as they
 * are read. Figures are in the unit of their line, an open end is empty; the words are those of
 * the record.
 */
export async function* readingsCsv(db: Database): AsyncGenerator<string> {
  const jobs = await db.tables.jobs.findAll({ order: ['at', 'id'] });
  yield csv([COLUMNS]);
  for (const row of jobs) {
    const lines = await jobsLines(db, row.get().id).catch(
      ignore('a job that cannot be worked out is named under Shop'),
    );
    if (lines) yield csv(lines);
  }
}

async function jobsLines(db: Database, id: string): Promise<unknown[][] | undefined> {
  const { record, context } = await recordOfJob(db, id);
  return record.signed && linesOf(record, context.machineName);
}

function linesOf(record: JobRecord, machine: string): unknown[][] {
  const { head, sheet, signed, hours, tag } = record;
  const whole = [machine, sheet.name, head.id, signed?.at, hours?.hours, tag?.tag];
  const { rows } = recordPage(record);
  return adjustersIn(record).map((adjuster, i) => {
    const row = rows[i];
    return [
      ...whole,
      row?.name,
      ...figuresOf(adjuster),
      row?.limits,
      row?.found,
      row?.left,
      row?.done,
      adjuster.people.join(', '),
    ];
  });
}

/** The figures of one adjuster in its unit: mm, or N·m of a preload. */
function figuresOf({ measure, limits, found, left, again }: RecordedAdjuster): unknown[] {
  const ends = (judged: JudgedReading | undefined) => [
    figure(judged?.reading.go),
    figure(judged?.reading.noGo),
  ];
  const word = (judged: JudgedReading | undefined) =>
    outsideWord(measure, judged?.verdict) ?? judged?.verdict;
  return [
    metricUnitOf(measure),
    figure(limits?.low),
    figure(limits?.target),
    figure(limits?.high),
    ...ends(found),
    word(found),
    ...ends(left),
    word(left),
    ...ends(again),
  ];
}

/** Whole µm (mN·m) as a decimal figure of the thousandfold unit. */
function figure(value: number | null | undefined): number | undefined {
  return value === null || value === undefined ? undefined : value / 1000;
}

function csv(lines: readonly unknown[][]): string {
  // A cell that begins like a formula is none: what people wrote is never run by a spreadsheet.
  return stringify([...lines], { record_delimiter: 'windows', escape_formulas: true });
}
