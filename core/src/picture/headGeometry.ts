import { ROCKER } from './rockerShapes';

/** How one bank of the head is laid out, in the drawing's own measure (a page's pixels or points). */
export type HeadGeometry = {
  /** Of each rocker, against its own measure. */
  scale: number;
  /** How large the letters below the rockers are, so that they do not run into each other. */
  letters: number;
  /** From the upper edge to below the cylinders' numbers. */
  height: number;
  /** Each rocker's middle, from the left edge of the row. */
  places: { id: string; x: number; cylinder: number }[];
};

type Bank = { cylinders: readonly { cylinder: number; adjusters: readonly { id: string }[] }[] };

/** The rockers' upper edge from that of the row. */
export const HEAD_TOP = 6;
/** Below the rockers: letters, and the cylinders' numbers. */
const LABELS = 44;

/** How large rockers are drawn at most, against their own measure; where height is scarce, smaller. */
const LARGEST = { tall: 1.15, short: 0.6 };
/** The least, which four rockers to a cylinder take where it has the least of width. */
const SMALLEST = 0.4;

/**
 * Where every rocker of a bank stands when each cylinder has `column` of width, 40 at least; `short`
 * where what stands below it needs the height. No rocker lies over another, up to four to a cylinder.
 */
export function headGeometry(bank: Bank, column: number, short = false): HeadGeometry {
  const most = Math.max(...bank.cylinders.map(({ adjusters }) => adjusters.length), 1);
  const pitch = Math.min(column / most, column > 90 ? 48 : 30);
  const wide = Math.max(SMALLEST, (pitch - 3) / ROCKER.width);
  const scale = Math.min(wide, short ? LARGEST.short : LARGEST.tall);
  const places = bank.cylinders.flatMap(({ adjusters, cylinder }, i) =>
    adjusters.map(({ id }, a) => ({
      id,
      cylinder,
      x: column * (i + 0.5) + pitch * (a - (adjusters.length - 1) / 2),
    })),
  );
  const letters = Math.max(9, Math.min(13, pitch * 0.8));
  return { scale, letters, height: ROCKER.height * scale + LABELS + 8, places };
}
