import type { PlannedMachine, Weeks } from '@longbar/core';
import { formatDay, shimsAheadWords, whenDue, workHours } from '@longbar/core';
import type { Response } from 'express';
import { inSlices } from '../inSlices';
import type { Database } from '../store/sql/database';
import { readShop } from '../store/yard/shop';
import { readWeeks } from '../store/planning/weeks';
import { heightOf, write } from './paragraph';
import type { Paper, Pdf } from './pdf';
import { PAPER, sendPdf } from './pdf';
import { rowHeight, tableRow, widthOf } from './tableRow';

const MARGIN = 36;
/** Of week, work, machines and what has to be there. */
const SHARES = [0.13, 0.1, 0.45, 0.32];
/** The largest lettering in which all of it stands on one page is taken. */
const SIZES = [12, 11, 10, 9, 8, 7, 6, 5, 4];

/** Sends the plan of the coming weeks as a PDF of one page. */
export async function sendWeeks(
  db: Database,
  today: string,
  paper: Paper,
  response: Response,
): Promise<void> {
  const [weeks, { name }] = await Promise.all([readWeeks(db, today), readShop(db)]);
  const title = `${name}: the coming weeks`;
  const sheet = { title, file: 'long-bar-weeks.pdf', paper, margin: MARGIN, lying: true };
  const pdf = await sendPdf(response, sheet);
  write(pdf, title, { size: 15, colour: PAPER.ink, strong: true });
  const about = `From ${formatDay(weeks.weeks[0] ?? today)}, as planned on ${formatDay(today)}.`;
  write(pdf, about, { size: 9, colour: PAPER.secondInk });
  pdf.y += 4;
  const head = ['Week of', 'Work', 'Machines', 'Has to be there'];
  const rows = weeks.weeks.map((week) => rowOf(weeks, week, today));
  await inSlices(fittingTable(pdf, head, rows));
  pdf.y += 3;
  write(pdf, NOTE, { size: 7, colour: PAPER.secondInk });
  pdf.end();
}

const NOTE =
  'Work is what past checks took in the median. Shims are what drift leads to expect: measure before anything is ordered for good.';

/** Draws the table in the largest lettering in which it stands on the page, row by row. */
function* fittingTable(pdf: Pdf, head: string[], rows: readonly string[][]): Generator<void, void> {
  const note = heightOf(pdf, NOTE, { size: 7, colour: PAPER.ink }, widthOf(pdf)) + 3;
  const room = pdf.page.height - MARGIN - pdf.y - note;
  const size = yield* fittingSize(pdf, [head, ...rows], room);
  tableRow(pdf, head, { shares: SHARES, size, strong: true });
  for (const row of rows) {
    tableRow(pdf, row, { shares: SHARES, size });
    yield;
  }
}

function* fittingSize(pdf: Pdf, rows: readonly string[][], room: number): Generator<void, number> {
  for (const size of SIZES) {
    let height = 0;
    for (const row of rows) {
      height += rowHeight(pdf, row, { shares: SHARES, size });
      yield;
      if (height > room) break;
    }
    if (height <= room) return size;
  }
  return SIZES.at(-1) ?? 4;
}

function rowOf(
  { machines, hoursAWeek, parts, shims }: Weeks,
  week: string,
  today: string,
): string[] {
  const own = machines.filter(({ planned }) => planned?.week === week);
  const minutes = own.reduce((sum, { takes }) => sum + (takes?.median ?? 0), 0);
  const of = hoursAWeek === null ? '' : ` of ${workHours(hoursAWeek * 60)}`;
  const needed = [
    ...parts
      .filter(({ by }) => by === week)
      .map(({ part, machines: all }) => `${all.length} × ${part}`),
    ...shims
      .filter(({ by }) => by === week)
      .map((each) => `${each.machine}: shims, ${shimsAheadWords(each)}`),
  ];
  return [
    formatDay(week),
    own.length === 0 ? '' : `${workHours(minutes)}${of}`,
    own.map((machine) => machineWords(machine, today)).join('\n'),
    needed.join('\n'),
  ];
}

function machineWords({ name, engine, place, due, planned }: PlannedMachine, today: string) {
  return [`${name} (${engine})`, place, planned?.who, whenDue(due, today)]
    .filter((each) => each !== undefined && each !== null)
    .join(', ');
}
