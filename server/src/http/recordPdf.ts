import type { AdjusterEntry, AdjusterState, JobContext, JobEvent, JobState } from '@longbar/core';
import {
  adjusterName,
  describeLock,
  describeReading,
  deviationsOf,
  describeUnset,
  foldJob,
  formatDay,
  formatFigure,
  formatHours,
  formatInstant,
  isolationsOf,
  judgeReading,
  localDay,
  measureOf,
  readTooCool,
  seatingOf,
  standingReading,
  unansweredFindings,
} from '@longbar/core';
import type { Response } from 'express';
import PdfDocument from 'pdfkit';
import type { Database } from '../store/database';
import { checkSeal, readJob } from '../store/jobs';
import { drawHeads } from './recordMap';

export type Paper = 'a4' | 'letter';
export type Pdf = InstanceType<typeof PdfDocument>;

const MARGIN = 42;
const INK = '#1B2427';
const SECOND = '#4F595B';
const LINE = '#C8C0AE';
const STRONG = 'Helvetica-Bold';
const PLAIN = 'Helvetica';

/** The record of a job on one or two clean pages. */
export async function sendRecord(
  db: Database,
  id: string,
  paper: Paper,
  response: Response,
): Promise<void> {
  const [context, rows, seal] = await Promise.all([
    readJob(db, id, localDay(new Date())),
    db.tables.events.findAll({ where: { job: id } }),
    checkSeal(db, id),
  ]);
  const state = foldJob(rows.map((row): JobEvent => row.get().body));
  const pdf = new PdfDocument({
    size: paper === 'a4' ? 'A4' : 'LETTER',
    margin: MARGIN,
    info: { Title: `${context.machineName}, lash job`, Author: 'Long Bar' },
  });
  response.type('application/pdf');
  response.set('Content-Disposition', `inline; filename="record-${id}.pdf"`);
  pdf.pipe(response);
  heading(pdf, context, state);
  drawHeads(pdf, context.sheet, state, widthOf(pdf));
  readings(pdf, context, state);
  notes(pdf, context, state);
  end(pdf, state, seal);
  pdf.end();
}

function widthOf(pdf: Pdf): number {
  return pdf.page.width - 2 * MARGIN;
}

function heading(pdf: Pdf, { machineName, sheet, head }: JobContext, state: JobState): void {
  pdf.font(STRONG).fontSize(20).fillColor(INK).text(machineName);
  const source = sheet.source?.revision
    ? `, from ${sheet.source.title ?? 'its manual'} revision ${sheet.source.revision}`
    : '';
  pdf.font(PLAIN).fontSize(9).fillColor(SECOND);
  pdf.text(`${sheet.name}, sheet revision ${head.sheetRevision}${source}`);
  const why = state.why
    ? [REASON[state.why.reason], state.why.symptom].filter(Boolean).join(': ')
    : 'not said';
  const facts = [
    `Begun ${formatDay(head.at)} by ${head.by}`,
    `Hours ${state.hours ? formatHours(state.hours.hours) : 'not read'}`,
    `Why: ${why}`,
    state.hot
      ? `Shut down hot ${formatInstant(state.hot.stopped)}, after ${state.hot.ran} min`
      : `At rest since ${state.coldSince ? formatInstant(state.coldSince) : 'not said'}`,
    ...(state.tag === undefined ? [] : [`Data tag ${state.tag || 'none the sheet knows'}`]),
  ];
  pdf.fillColor(INK).text(facts.join('   ·   '));
  pdf.moveDown(0.6);
}

const REASON = { interval: 'it was due', 'head-work': 'after head work', symptom: 'a symptom' };

const COLUMNS = [0.2, 0.15, 0.16, 0.16, 0.33];
const ROW = 13;

function readings(pdf: Pdf, { sheet }: JobContext, state: JobState): void {
  row(pdf, ['Adjuster', 'Limits', 'As found', 'As left', 'Done'], STRONG);
  for (const bank of seatingOf(sheet)) {
    for (const { adjusters } of bank.cylinders) {
      for (const { id, entry } of adjusters) row(pdf, cellsOf(id, entry, state.adjusters[id]));
    }
  }
  pdf.moveDown(0.3).fontSize(7.5).fillColor(SECOND);
  const legend = 'mm unless said. a–b: a entered, b did not. Tight or loose: as found.';
  pdf.text(legend, MARGIN, pdf.y);
  pdf.moveDown(0.6);
}

function row(pdf: Pdf, cells: readonly string[], font = PLAIN): void {
  const width = widthOf(pdf);
  if (pdf.y + ROW > pdf.page.height - MARGIN) pdf.addPage();
  const { y } = pdf;
  let x = MARGIN;
  pdf.font(font).fontSize(8.5).fillColor(INK);
  cells.forEach((text, i) => {
    const column = width * (COLUMNS[i] ?? 0.2);
    pdf.text(text, x, y + 2, { width: column - 6, height: ROW, ellipsis: true, lineBreak: false });
    x += column;
  });
  pdf
    .moveTo(MARGIN, y + ROW)
    .lineTo(MARGIN + width, y + ROW)
    .lineWidth(0.5)
    .strokeColor(LINE)
    .stroke();
  pdf.x = MARGIN;
  pdf.y = y + ROW;
}

function cellsOf(id: string, entry: AdjusterEntry, state: AdjusterState = {}): string[] {
  const { spec } = entry;
  const measure = measureOf(entry);
  const { found, locked, kept, unset, again } = state;
  const left = standingReading(state);
  const verdict = spec && found && judgeReading(spec, found, 'leave-inside', measure).verdict;
  const word = verdict === 'tight' || verdict === 'loose' ? `, ${verdict}` : '';
  const done = [
    unset && describeUnset(unset),
    locked && describeLock(locked),
    kept && 'not touched',
    again && `again ${describeReading(again)}`,
  ];
  const figure = (value: number) => formatFigure(measure, value);
  return [
    adjusterName(id),
    spec ? `${figure(spec.low)}–${figure(spec.high)}` : '',
    found ? describeReading(found) + word : spec ? 'not read' : '',
    left ? describeReading(left) : unset ? 'not set' : '',
    done.filter(Boolean).join('; '),
  ];
}

function notes(pdf: Pdf, { sheet, lastLeft }: JobContext, state: JobState): void {
  const lines = [
    ...deviationsOf(state).map(({ what, reason, by }) => `Deviation: ${what}: ${reason} (${by})`),
    ...readTooCool(sheet, state).map((id) => `${adjusterName(id)}: read after the hot window`),
    ...Object.entries(state.answers).map(
      ([question, { says, answer, by }]) =>
        `${adjusterName(question.split(' ')[0] ?? '')}: ${says ?? ''} ${answer} (${by})`,
    ),
    ...unansweredFindings(sheet, state, lastLeft).map(
      ({ says, look }) => `Not looked into: ${says} ${look}`,
    ),
    ...state.handed.map(({ to, by, at }) => `Handed over by ${by} to ${to}, ${formatInstant(at)}`),
    ...state.machineNotes.map(({ text, by }) => `For the next one: ${text} (${by})`),
    ...isolationsOf(sheet).map(({ id, text }) => {
      const done = state.isolations[id];
      const undone = state.undone[id];
      if (!done) return `${text}: not done`;
      if (done.exempt !== undefined) return `${text}: did not apply, ${done.exempt} (${done.by})`;
      return `${text}: ${done.by}${undone ? `; undone by ${undone.by}` : ''}`;
    }),
    ...Object.entries(state.clear).map(([person, { by, looked }]) =>
      looked ? `${person}: ${by} went and looked: ${looked}` : `${person}: clear, own lock off`,
    ),
  ];
  pdf.font(PLAIN).fontSize(8.5).fillColor(INK);
  for (const line of lines) pdf.text(line, MARGIN, pdf.y, { width: widthOf(pdf) });
  pdf.moveDown(0.6);
}

type SealState = { seal: string | null; holds: boolean };

function end(pdf: Pdf, state: JobState, { seal, holds }: SealState): void {
  const { signed, amendments } = state;
  pdf.font(STRONG).fontSize(10).fillColor(INK);
  pdf.text(
    signed
      ? `${signed.incomplete ? 'Closed as incomplete' : 'Signed'} by ${signed.name}, ${formatInstant(signed.at)}.`
      : 'Not signed: this job is still open.',
  );
  pdf.font(PLAIN).fontSize(8).fillColor(SECOND);
  if (seal)
    pdf.text(`Seal ${seal}: ${holds ? 'its events have it' : 'ITS EVENTS DO NOT HAVE IT'}.`);
  for (const { text, by, at } of amendments) {
    pdf.fillColor(INK).text(`Added after signing, ${formatInstant(at)}, ${by}: ${text}`);
  }
  pdf.fillColor(SECOND);
  pdf.text('Where this record and the maker’s current manual differ, the manual stands.');
}
