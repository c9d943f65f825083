import type { RecordPage } from '@longbar/core';
import { recordPage } from '@longbar/core';
import type { Response } from 'express';
import PdfDocument from 'pdfkit';
import type { Database } from '../store/database';
import { checkSeal } from '../store/jobs';
import type { Pdf } from './pdf';
import { PAPER, PLAIN, STRONG } from './pdf';
import { drawHeads } from './recordHeads';
import { recordOfJob } from './recordOfJob';

export type Paper = 'a4' | 'letter';

const MARGIN = 42;

/** Sends the record of a job as a PDF: the same page that the screen shows, on clean paper. */
export async function sendRecord(
  db: Database,
  id: string,
  paper: Paper,
  response: Response,
): Promise<void> {
  const [{ context, record }, seal] = await Promise.all([recordOfJob(db, id), checkSeal(db, id)]);
  const page = recordPage(record);
  const pdf = new PdfDocument({
    size: paper === 'a4' ? 'A4' : 'LETTER',
    margin: MARGIN,
    info: { Title: `${context.machineName}, lash job`, Author: 'Long Bar' },
  });
  response.type('application/pdf');
  response.set('Content-Disposition', `inline; filename="record-${id}.pdf"`);
  pdf.pipe(response);
  heading(pdf, context.machineName, page);
  drawHeads(pdf, record, widthOf(pdf));
  readings(pdf, page);
  sections(pdf, page);
  end(pdf, page, seal);
  pdf.end();
}

function widthOf(pdf: Pdf): number {
  return pdf.page.width - 2 * MARGIN;
}

function heading(pdf: Pdf, machine: string, { about, facts }: RecordPage): void {
  pdf.font(STRONG).fontSize(18).fillColor(PAPER.ink).text(machine);
  pdf.font(PLAIN).fontSize(9).fillColor(PAPER.secondInk).text(about);
  pdf.moveDown(0.3).fontSize(8.5).fillColor(PAPER.ink);
  facts.forEach(({ name, value }, i) => {
    const more = i < facts.length - 1;
    pdf.font(STRONG).text(`${name}: `, { continued: true });
    pdf.font(PLAIN).text(more ? `${value}   ` : value, { continued: more });
  });
  pdf.moveDown(0.6);
}

const COLUMNS = [0.14, 0.235, 0.165, 0.23, 0.23];
const LEAST = 12;

function readings(pdf: Pdf, { columns, rows, legend }: RecordPage): void {
  const { adjuster, limits, found, left, done } = columns;
  row(pdf, [adjuster, limits, found, left, done], STRONG);
  for (const each of rows) row(pdf, [each.name, each.limits, each.found, each.left, each.done]);
  pdf.moveDown(0.3).font(PLAIN).fontSize(7.5).fillColor(PAPER.secondInk);
  pdf.text(legend, MARGIN, pdf.y);
  pdf.moveDown(0.6);
}

/** A line of the table, as high as its longest cell: nothing of a record is cut off. */
function row(pdf: Pdf, cells: readonly string[], font = PLAIN): void {
  const width = widthOf(pdf);
  pdf.font(font).fontSize(8).fillColor(PAPER.ink);
  const columns = cells.map((text, i) => ({ text, width: width * (COLUMNS[i] ?? 0.2) - 6 }));
  const heights = columns.map((each) => pdf.heightOfString(each.text, { width: each.width }));
  const height = Math.max(LEAST, ...heights.map((each) => each + 3));
  if (pdf.y + height > pdf.page.height - MARGIN) pdf.addPage();
  const { y } = pdf;
  let x = MARGIN;
  for (const column of columns) {
    pdf.text(column.text, x, y + 2, { width: column.width });
    x += column.width + 6;
  }
  const under = y + height;
  pdf.moveTo(MARGIN, under).lineTo(MARGIN + width, under);
  pdf.lineWidth(0.5).strokeColor(PAPER.line).stroke();
  pdf.x = MARGIN;
  pdf.y = under;
}

function sections(pdf: Pdf, page: RecordPage): void {
  for (const { title, lines } of page.sections) {
    pdf.font(STRONG).fontSize(9).fillColor(PAPER.ink).text(title, MARGIN, pdf.y);
    pdf.font(PLAIN).fontSize(8);
    for (const { text, grave } of lines) {
      pdf
        .fillColor(grave ? PAPER.stop : PAPER.ink)
        .text(text, MARGIN, pdf.y, { width: widthOf(pdf) });
    }
    pdf.moveDown(0.5);
  }
}

type SealState = { seal: string | null; holds: boolean };

function end(pdf: Pdf, page: RecordPage, { seal, holds }: SealState): void {
  pdf.font(STRONG).fontSize(10).fillColor(PAPER.ink).text(page.signature);
  pdf.font(PLAIN).fontSize(8).fillColor(PAPER.secondInk);
  if (seal) {
    pdf.text(`Seal ${seal}: ${holds ? 'its events have it' : 'ITS EVENTS DO NOT HAVE IT'}.`);
  }
  for (const text of page.additions) pdf.fillColor(PAPER.ink).text(text);
  pdf.fillColor(PAPER.secondInk).text(page.footer);
}
