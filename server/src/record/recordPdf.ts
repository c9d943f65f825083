import type { RecordPage, Seal } from '@longbar/core';
import { recordPage, sealWords, signatureCode } from '@longbar/core';
import type { Response } from 'express';
import { create } from 'qrcode';
import type { Database } from '../store/sql/database';
import { checkSeal } from '../store/journal/jobs';
import { write } from './paragraph';
import type { Paper, Pdf } from './pdf';
import { PAPER, sendPdf } from './pdf';
import { drawHeads } from './recordHeads';
import { recordOfJob } from './recordOfJob';
import { tableRow, widthOf } from './tableRow';

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
  const title = `${context.machineName}, lash job`;
  const file = `record-${id}.pdf`;
  const pdf = await sendPdf(response, { title, file, paper, margin: MARGIN });
  // A sheet that comes apart from the first says whose it is.
  pdf.on('pageAdded', () => {
    write(pdf, `${context.machineName}. ${page.signature}`, { size: 8, colour: PAPER.secondInk });
    pdf.y += 6;
  });
  heading(pdf, context.machineName, page);
  drawHeads(pdf, record, widthOf(pdf));
  readings(pdf, page);
  sections(pdf, page);
  end(pdf, page, seal);
  pdf.end();
}

function heading(pdf: Pdf, machine: string, { about, facts }: RecordPage): void {
  write(pdf, machine, { size: 18, colour: PAPER.ink, strong: true });
  write(pdf, about, { size: 9, colour: PAPER.secondInk });
  pdf.y += 3;
  const said = facts.flatMap(({ name, value }) => [
    { text: `${name}: `, strong: true },
    { text: `${value}   ` },
  ]);
  write(pdf, said, { size: 8.5, colour: PAPER.ink });
  pdf.y += 6;
}

const COLUMNS = [0.112, 0.253, 0.16, 0.27, 0.205];

function readings(pdf: Pdf, { columns, rows, legend }: RecordPage): void {
  const { adjuster, limits, found, left, done } = columns;
  const how = { shares: COLUMNS, size: 7.6 };
  tableRow(pdf, [adjuster, limits, found, left, done], { ...how, strong: true });
  for (const each of rows) {
    tableRow(pdf, [each.name, each.limits, each.found, each.left, each.done], how);
  }
  pdf.y += 3;
  write(pdf, legend, { size: 7.5, colour: PAPER.secondInk });
  pdf.y += 6;
}

function sections(pdf: Pdf, page: RecordPage): void {
  for (const { title, lines } of page.sections) {
    write(pdf, title, { size: 9, colour: PAPER.ink, strong: true });
    for (const { text, grave } of lines) {
      write(pdf, text, { size: 8, colour: grave ? PAPER.stop : PAPER.ink });
    }
    pdf.y += 5;
  }
}

function end(pdf: Pdf, page: RecordPage, seal: Seal): void {
  const small = { size: 8, colour: PAPER.secondInk };
  write(pdf, page.signature, { size: 10, colour: PAPER.ink, strong: true });
  for (const { text, grave } of sealWords(seal)) {
    write(pdf, text, { size: 8, colour: grave ? PAPER.stop : PAPER.secondInk });
  }
  for (const text of page.additions) write(pdf, text, { size: 8, colour: PAPER.ink });
  write(pdf, page.footer, small);
  if (seal.signature?.fits) drawCode(pdf, signatureCode(seal.signature));
}

/** So large a code is read from paper by a phone's camera, points. */
const CODE = 104;
/** Light around it that a camera needs, in modules. */
const QUIET = 4;

/** The seal and the signature as a pattern, by which paper is held against a file. */
function drawCode(pdf: Pdf, text: string): void {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const step = CODE / (modules.size + 2 * QUIET);
  if (pdf.y + CODE > pdf.page.height - MARGIN) pdf.addPage();
  const top = pdf.y;
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      if (!modules.get(row, column)) continue;
      pdf.rect(MARGIN + (column + QUIET) * step, top + (row + QUIET) * step, step, step);
    }
  }
  pdf.fillColor(PAPER.ink).fill();
  pdf.y = top + CODE;
}
