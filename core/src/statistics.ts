/** The q-quantile of sorted figures, between neighbours by straight line; NaN of none. */
export function quantile(sorted: ArrayLike<number>, q: number): number {
  const place = (sorted.length - 1) * q;
  const below = sorted[Math.floor(place)] ?? NaN;
  const above = sorted[Math.ceil(place)] ?? NaN;
  return below + (above - below) * (place - Math.floor(place));
}

/** The middle of figures in any order, or midway between the two middle ones; NaN of none. */
export function median(figures: ArrayLike<number>): number {
  const n = figures.length;
  if (n === 0) return NaN;
  const own = new Float64Array(figures);
  const upper = selected(own, n >> 1);
  if (n % 2 === 1) return upper;
  let lower = -Infinity;
  // What is not above the selected one stands before it.
  for (let i = 0; i < n >> 1; i++) lower = Math.max(lower, own[i] ?? 0);
  return lower + (upper - lower) / 2;
}

/**
 * The figure that stands at place `k` in order, moved there, with none greater before it
 * (Hoare's selection: a drawn band asks for many medians, and sorting each costs most of it).
 */
function selected(figures: Float64Array, k: number): number {
  let [low, high] = [0, figures.length - 1];
  while (low < high) {
    const pivot = figures[(low + high) >> 1] ?? 0;
    let [i, j] = [low, high];
    while (i <= j) {
      while ((figures[i] ?? 0) < pivot) i++;
      while ((figures[j] ?? 0) > pivot) j--;
      if (i > j) break;
      const kept = figures[i] ?? 0;
      figures[i++] = figures[j] ?? 0;
      figures[j--] = kept;
    }
    if (k <= j) high = j;
    else if (k >= i) low = i;
    else break;
  }
  return figures[k] ?? 0;
}

/** A figure to one decimal. */
export function inTenths(figure: number): number {
  return Math.round(figure * 10) / 10;
}

/** What turns a median absolute deviation into a standard deviation of a bell curve. */
const BELL = 1.4826;

/** The spread of figures that a few wild ones do not move: the scaled median deviation. */
export function robustDeviation(figures: readonly number[]): number {
  const middle = median(figures);
  return BELL * median(figures.map((figure) => Math.abs(figure - middle)));
}
