import type { EngineSheet, JobState, Reading } from '@longbar/core';
import { entryOf, judgeReading, measureOf, seatingOf, standingReading } from '@longbar/core';
import type { Pdf } from './recordPdf';

const INK = '#1B2427';
const LINE = '#C8C0AE';
const OUT = '#B0440A';
const CELL = 9;

/** The head seen from above, as found beside as left: a cell for each adjuster in its place. */
export function drawHeads(pdf: Pdf, sheet: EngineSheet, state: JobState, width: number): void {
  const left = pdf.page.margins.left;
  const top = pdf.y;
  const half = (width - 16) / 2;
  const found = (id: string) => state.adjusters[id]?.found;
  const standing = (id: string) => standingReading(state.adjusters[id]);
  const low = drawHead(pdf, sheet, 'As found', found, left, top, half);
  drawHead(pdf, sheet, 'As left', standing, left + half + 16, top, half);
  pdf.x = left;
  pdf.y = low + 8;
}

type ReadingOf = (id: string) => Reading | undefined;

/** Draws one head and answers where it ends. */
function drawHead(
  pdf: Pdf,
  sheet: EngineSheet,
  title: string,
  readingOf: ReadingOf,
  left: number,
  top: number,
  width: number,
): number {
  pdf.font('Helvetica-Bold').fontSize(8.5).fillColor(INK).text(title, left, top, { width });
  let y = top + 14;
  for (const { cylinders } of seatingOf(sheet)) {
    const column = Math.min(60, width / cylinders.length);
    cylinders.forEach(({ cylinder, adjusters }, i) => {
      const x = left + column * i;
      const pitch = Math.min(CELL + 3, (column - 4) / Math.max(1, adjusters.length));
      adjusters.forEach(({ id }, a) => {
        drawCell(pdf, verdictOf(sheet, id, readingOf(id)), x + a * pitch, y, pitch - 2);
      });
      pdf.font('Helvetica').fontSize(8).fillColor(INK);
      pdf.text(String(cylinder), x, y + 26, { width: pitch * adjusters.length, align: 'center' });
    });
    y += 40;
  }
  return y;
}

function verdictOf(sheet: EngineSheet, id: string, reading: Reading | undefined) {
  const entry = entryOf(sheet, id);
  if (!reading || !entry?.spec) return undefined;
  return judgeReading(entry.spec, reading, 'leave-inside', measureOf(entry)).verdict;
}

/** Inside: filled. Tight: a bar at the foot. Loose: a bar at the top. Not read: empty. */
function drawCell(
  pdf: Pdf,
  verdict: 'tight' | 'loose' | 'inside' | 'unsure' | undefined,
  x: number,
  y: number,
  width: number,
): void {
  const out = verdict === 'tight' || verdict === 'loose';
  pdf.lineWidth(out ? 1.4 : 0.8).strokeColor(out ? OUT : INK);
  if (verdict === 'inside') pdf.rect(x, y, width, 22).fillAndStroke(LINE, INK);
  else pdf.rect(x, y, width, 22).stroke();
  if (out) pdf.rect(x, verdict === 'tight' ? y + 16 : y, width, 6).fill(OUT);
}
