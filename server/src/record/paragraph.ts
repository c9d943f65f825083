import LineBreaker from 'linebreak';
import { fontFile } from './fontFile';
import type { Pdf } from './pdf';
import type { Piece, Run } from './runs';
import { prepare, runsOf } from './runs';

/** What is written, and how. */
export type Lettering = { size: number; colour: string; strong?: boolean };

/** Where a paragraph stands. What is written on one line is never broken. */
type Place = {
  x?: number;
  y?: number;
  width?: number;
  align?: 'left' | 'center' | 'right';
  oneLine?: boolean;
};

/** What is drawn in one go. */
type Wide = Run & { width: number };

/** A line as it is seen, from left to right. */
type Line = { runs: Wide[]; width: number };

const LEADING = 1.26;
const BASELINE = 0.96;

/** How high a paragraph stands in a width, in points. */
export function heightOf(pdf: Pdf, said: string | Piece[], how: Lettering, width: number): number {
  return linesOf(pdf, said, how, width).length * how.size * LEADING;
}

/**
 * Writes a paragraph in any script: each character in the face that has it, breaking lines where
 * its script allows, from right to left where it is read so. What follows stands below it.
 */
export function write(pdf: Pdf, said: string | Piece[], how: Lettering, place: Place = {}): void {
  const { left, right, bottom } = pdf.page.margins;
  const { x = left, align = 'left', oneLine = false } = place;
  const width = place.width ?? pdf.page.width - right - x;
  const height = how.size * LEADING;
  let y = place.y ?? pdf.y;
  pdf.fillColor(how.colour);
  for (const line of linesOf(pdf, said, how, oneLine ? Infinity : width)) {
    if (place.y === undefined && y + height > pdf.page.height - bottom) {
      pdf.addPage();
      pdf.fillColor(how.colour);
      ({ y } = pdf);
    }
    const spare = align === 'left' ? 0 : (width - line.width) / (align === 'center' ? 2 : 1);
    draw(pdf, line, how.size, x + spare, y + how.size * BASELINE);
    y += height;
  }
  pdf.x = left;
  pdf.y = y;
}

function draw(pdf: Pdf, { runs }: Line, size: number, x: number, baseline: number): void {
  for (const { file, text, backwards, width } of runs) {
    const how = { lineBreak: false, baseline: 'alphabetic' as const };
    fontOf(pdf, file).fontSize(size);
    pdf.text(text, x, baseline, { ...how, ...shaping(backwards) });
    x += width;
  }
}

const registered = new WeakMap<Pdf, Set<string>>();

/** The document with a font to write in; a file is registered in it once. */
function fontOf(pdf: Pdf, file: string): Pdf {
  const known = registered.get(pdf) ?? new Set();
  registered.set(pdf, known);
  if (!known.has(file)) pdf.registerFont(file, fontFile(file));
  known.add(file);
  return pdf.font(file);
}

/**
 * A run with its width. The shaper stumbles over a few words of a few scripts, where a sign has
 * no anchor in the font: such a word is set character by character.
 */
function measured(pdf: Pdf, size: number, run: Run): Wide[] {
  const wide = (text: string) =>
    fontOf(pdf, run.file).fontSize(size).widthOfString(text, shaping(run.backwards));
  try {
    return [{ ...run, width: wide(run.text) }];
  } catch (error) {
    const characters = [...run.text];
    if (characters.length < 2) throw error;
    if (run.backwards) characters.reverse();
    return characters.map((text) => ({ ...run, text, width: wide(text) }));
  }
}

/** A run that is read from the right is shaped as a whole, words and blanks. */
const shaping = (backwards: boolean) => (backwards ? { features: [] } : {});

/** The lines of a paragraph: filled as far as they go, and a word that is wider than one is cut. */
function linesOf(pdf: Pdf, said: string | Piece[], how: Lettering, width: number): Line[] {
  const whole = prepare(said, how.strong);
  const stretch = (from: number, to: number): Line => {
    const runs = runsOf(whole, from, to).flatMap((run) => measured(pdf, how.size, run));
    return { runs, width: runs.reduce((sum, run) => sum + run.width, 0) };
  };
  /** A line without the blanks at its end. */
  const line = (from: number, to: number) =>
    stretch(from, from + whole.text.slice(from, to).trimEnd().length);
  const wide = (from: number, to: number) => line(from, to).width;
  const lines: Line[] = [];
  let [start, reached, filled] = [0, 0, 0];
  for (const { end, must } of breaksOf(whole.text, width, wide)) {
    if (reached > start && filled + wide(reached, end) > width) {
      lines.push(line(start, reached));
      [start, filled] = [reached, 0];
    }
    filled += stretch(reached, end).width;
    reached = end;
    if (!must) continue;
    lines.push(line(start, reached));
    [start, filled] = [reached, 0];
  }
  if (start < whole.text.length) lines.push(line(start, whole.text.length));
  return lines;
}

const graphemes = new Intl.Segmenter();

/** Where a line may end, or must: between words, and in a word that is wider than a line. */
function* breaksOf(text: string, width: number, wide: (from: number, to: number) => number) {
  const breaker = new LineBreaker(text);
  let from = 0;
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    const to = next.position;
    // A range of figures stands on one line.
    if (!next.required && /\d–$/.test(text.slice(from, to))) continue;
    if (wide(from, to) > width) {
      let filled = 0;
      for (const { index, segment } of graphemes.segment(text.slice(from, to))) {
        const at = from + index;
        const own = wide(at, at + segment.length);
        if (filled > 0 && filled + own > width) {
          yield { end: at, must: false };
          filled = 0;
        }
        filled += own;
      }
    }
    yield { end: to, must: next.required };
    from = to;
  }
}
