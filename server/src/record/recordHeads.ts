import type { JobRecord, RecordedBank, RecordedHead } from '@longbar/core';
import {
  HEAD_ENDS,
  HEAD_TOP,
  headGeometry,
  KINDS,
  recordedLook,
  ROCKER,
  rockerShapes,
} from '@longbar/core';
import type { Pdf } from './pdf';
import { write } from './paragraph';
import { PAPER } from './pdf';

const HEADS: { head: RecordedHead; title: string }[] = [
  { head: 'found', title: 'As found' },
  { head: 'left', title: 'As left' },
];
const BETWEEN = 20;
/** The rockers' own measure is a screen's: on paper they are so much smaller. */
const SMALLER = 0.62;
/** Room for a reading written upwards, in the drawing's measure. */
const FIGURE = 74;

/**
 * The head seen from above, as found beside as left: the same rockers as on the screen, each
 * with what was read written along it. Where a bank is too wide for that, one above the other.
 */
export function drawHeads(pdf: Pdf, record: JobRecord, width: number): void {
  const left = pdf.page.margins.left;
  const most = Math.max(...record.banks.map(({ cylinders }) => cylinders.length));
  const beside = ((width - BETWEEN) / 2 / most) * (1 / SMALLER) >= NARROWEST * perCylinder(record);
  const own = beside ? (width - BETWEEN) / 2 : width;
  let [x, y, low] = [left, pdf.y, pdf.y];
  for (const { head, title } of HEADS) {
    low = Math.max(low, drawHead(pdf, record, head, title, { x, y, width: own }));
    if (beside) x += own + BETWEEN;
    else y = low + 4;
  }
  pdf.x = left;
  pdf.y = low + 6;
}

/** The narrowest place for one rocker with its figure, in the drawing's measure. */
const NARROWEST = 20;

function perCylinder({ banks }: JobRecord): number {
  return Math.max(...banks.flatMap((bank) => bank.cylinders.map((c) => c.adjusters.length)), 1);
}

/** How wide the place of each of so many cylinders is, in the drawing's measure. */
const columnOf = (count: number, width: number) => Math.min(90, width / SMALLER / count);

type Place = { x: number; y: number; width: number };

/** How the ends of the engine are written below its head. */
const ENDS = { size: 6.5, colour: PAPER.secondInk };

/** Draws one head and answers where it ends. */
function drawHead(
  pdf: Pdf,
  record: JobRecord,
  head: RecordedHead,
  title: string,
  { x, y, width }: Place,
): number {
  write(pdf, title, { size: 9, colour: PAPER.ink, strong: true }, { x, y, width });
  let top = y + 13;
  for (const bank of record.banks) top = drawBank(pdf, bank, head, { x, y: top, width });
  const most = Math.max(...record.banks.map(({ cylinders }) => cylinders.length));
  for (const [i, end] of HEAD_ENDS.entries()) {
    const below = { x, y: top, width: most * columnOf(most, width) * SMALLER };
    write(pdf, end.toUpperCase(), ENDS, { ...below, align: i === 0 ? 'left' : 'right' });
  }
  return top + ENDS.size;
}

/** Draws one bank and answers where it ends. */
function drawBank(pdf: Pdf, bank: RecordedBank, head: RecordedHead, at: Place): number {
  const count = bank.cylinders.length;
  const column = columnOf(count, at.width);
  const geometry = headGeometry(bank, column);
  const rockers = ROCKER.height * geometry.scale + HEAD_TOP;
  pdf.save().translate(at.x, at.y).scale(SMALLER);
  const shaft = HEAD_TOP + ROCKER.shaft * geometry.scale;
  pdf.roundedRect(2, shaft - 4, column * count - 4, 8, 4).lineWidth(1);
  pdf.fillAndStroke(PAPER.sheet, PAPER.line);
  const adjusters = bank.cylinders.flatMap((cylinder) => cylinder.adjusters);
  geometry.places.forEach(({ id, x }) => {
    const adjuster = adjusters.find((each) => each.id === id);
    if (!adjuster) return;
    const { figure, ...look } = recordedLook(adjuster, head);
    drawRocker(pdf, x, geometry.scale, look);
    const letters = { x: x - 20, y: rockers + 3, width: 40, align: 'center' as const };
    write(pdf, KINDS[adjuster.kind].letters, { size: 11, colour: PAPER.ink }, letters);
    const y = rockers + 19 + FIGURE;
    pdf.save().rotate(-90, { origin: [x, y] });
    const upwards = { x, y: y - 5, width: FIGURE, align: 'right' as const, oneLine: true };
    write(pdf, figure, { size: 11.5, colour: look.odd ? PAPER.stop : PAPER.ink }, upwards);
    pdf.restore();
  });
  bank.cylinders.forEach(({ cylinder }, i) => {
    const own = {
      x: column * i,
      y: rockers + FIGURE + 20,
      width: column,
      align: 'center' as const,
    };
    write(pdf, String(cylinder), { size: 14, colour: PAPER.ink, strong: true }, own);
  });
  pdf.restore();
  return at.y + (rockers + FIGURE + 38) * SMALLER;
}

type Look = Parameters<typeof rockerShapes>[0];

function drawRocker(pdf: Pdf, x: number, scale: number, look: Look): void {
  pdf.save().translate(x, HEAD_TOP).scale(scale);
  for (const { d, fill, stroke, weight = 1, round, down } of rockerShapes(look, PAPER)) {
    pdf.save().translate(0, down).path(d).lineWidth(weight);
    const shape = round ? 'round' : 'miter';
    pdf.lineCap(round ? 'round' : 'butt').lineJoin(shape);
    if (fill && stroke) pdf.fillAndStroke(fill, stroke);
    else if (fill) pdf.fill(fill);
    else if (stroke) pdf.stroke(stroke);
    pdf.restore();
  }
  pdf.restore();
}
