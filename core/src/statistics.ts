/** The q-quantile of sorted figures, between neighbours by straight line; NaN of none. */
export function quantile(sorted: readonly number[], q: number): number {
  const place = (sorted.length - 1) * q;
  const below = sorted[Math.floor(place)] ?? NaN;
  const above = sorted[Math.ceil(place)] ?? NaN;
  return below + (above - below) * (place - Math.floor(place));
}

/** The middle of figures in any order; NaN of none. */
export function median(figures: readonly number[]): number {
  return quantile(
    [...figures].sort((a, b) => a - b),
    0.5,
  );
}

/** What turns a median absolute deviation into a standard deviation of a bell curve. */
const BELL = 1.4826;

/** The spread of figures that a few wild ones do not move: the scaled median deviation. */
export function robustDeviation(figures: readonly number[]): number {
  const middle = median(figures);
  return BELL * median(figures.map((figure) => Math.abs(figure - middle)));
}
