import type { Pdf } from './pdf';
import { PAPER } from './pdf';
import { heightOf, write } from './paragraph';

/** How the rows of a table are drawn: the share of the width of each column, and the lettering. */
export type RowStyle = { shares: readonly number[]; size: number; strong?: boolean };

const LEAST = 12;
const GUTTER = 4;

/** A line of a table, as high as its longest cell: nothing of it is cut off. */
export function tableRow(pdf: Pdf, cells: readonly string[], style: RowStyle): void {
  const { left, bottom } = pdf.page.margins;
  const height = rowHeight(pdf, cells, style);
  if (pdf.y + height > pdf.page.height - bottom) pdf.addPage();
  const { y } = pdf;
  let x = left;
  for (const { text, width } of columnsOf(pdf, cells, style)) {
    write(pdf, text, letteringOf(style), { x, y: y + 2, width });
    x += width + GUTTER;
  }
  const under = y + height;
  pdf.moveTo(left, under).lineTo(left + widthOf(pdf), under);
  pdf.lineWidth(0.5).strokeColor(PAPER.line).stroke();
  pdf.x = left;
  pdf.y = under;
}

/** How high such a line is, in points. */
export function rowHeight(pdf: Pdf, cells: readonly string[], style: RowStyle): number {
  const heights = columnsOf(pdf, cells, style).map(({ text, width }) =>
    heightOf(pdf, text, letteringOf(style), width),
  );
  return Math.max(LEAST, ...heights.map((each) => each + 3));
}

/** The width between the margins of a page. */
export function widthOf(pdf: Pdf): number {
  const { left, right } = pdf.page.margins;
  return pdf.page.width - left - right;
}

const letteringOf = ({ size, strong = false }: RowStyle) => ({ size, colour: PAPER.ink, strong });

function columnsOf(pdf: Pdf, cells: readonly string[], { shares }: RowStyle) {
  return cells.map((text, i) => ({ text, width: widthOf(pdf) * (shares[i] ?? 0.2) - GUTTER }));
}
