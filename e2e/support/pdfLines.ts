import { inflateSync } from 'node:zlib';

/** A straight line as it lies on paper, mm from the lower left corner. */
export type PaperLine = { x1: number; y1: number; x2: number; y2: number };

type Matrix = [number, number, number, number, number, number];

/** mm in a point, of which 72 make an inch. */
const MM = 25.4 / 72;

/** The straight lines that a PDF draws, as a rule laid on the paper would measure them. */
export function pdfLines(pdf: Buffer): PaperLine[] {
  return streamsOf(pdf).flatMap(linesOf);
}

/** What is written in the PDF's packed streams, where that is text. */
function streamsOf(pdf: Buffer): string[] {
  const found: string[] = [];
  for (let from = pdf.indexOf('stream'); from >= 0; from = pdf.indexOf('stream', from + 6)) {
    if (pdf.subarray(from - 3, from).toString() === 'end') continue;
    const begin = from + (pdf[from + 6] === 13 ? 8 : 7);
    try {
      found.push(
        inflateSync(pdf.subarray(begin, pdf.indexOf('endstream', begin))).toString('latin1'),
      );
    } catch {
      // Fonts and pictures are packed otherwise: they hold no lines.
    }
  }
  return found;
}

/** Follows the drawing operators: what moves the paper, and lines from point to point. */
function linesOf(stream: string): PaperLine[] {
  const lines: PaperLine[] = [];
  const kept: Matrix[] = [];
  let matrix: Matrix = [1, 0, 0, 1, 0, 0];
  let at = { x: 0, y: 0 };
  let figures: number[] = [];
  const place = (x: number, y: number) => ({
    x: (matrix[0] * x + matrix[2] * y + matrix[4]) * MM,
    y: (matrix[1] * x + matrix[3] * y + matrix[5]) * MM,
  });
  for (const word of stream.split(/\s+/)) {
    const figure = Number(word);
    if (word !== '' && Number.isFinite(figure)) {
      figures.push(figure);
      continue;
    }
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = figures;
    if (word === 'q') kept.push(matrix);
    if (word === 'Q') matrix = kept.pop() ?? matrix;
    if (word === 'cm') matrix = times([a, b, c, d, e, f], matrix);
    if (word === 'm') at = place(a, b);
    if (word === 'l') {
      const to = place(a, b);
      lines.push({ x1: at.x, y1: at.y, x2: to.x, y2: to.y });
      at = to;
    }
    figures = [];
  }
  return lines;
}

function times(a: Matrix, b: Matrix): Matrix {
  return [
    a[0] * b[0] + a[1] * b[2],
    a[0] * b[1] + a[1] * b[3],
    a[2] * b[0] + a[3] * b[2],
    a[2] * b[1] + a[3] * b[3],
    a[4] * b[0] + a[5] * b[2] + b[4],
    a[4] * b[1] + a[5] * b[3] + b[5],
  ];
}
