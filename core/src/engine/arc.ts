import { tidy, wrap } from './angle';

/**
 * A stretch of the circle, from `from` for `length` degrees of normal rotation. Every
 * condition of the model is one: a base circle, the neighbourhood of a peak, a window.
 */
export type Arc = { from: number; length: number };

/**
 * How far inside the arc `angle` lies: the distance to its nearer end, degrees. Negative
 * outside, by the distance to the nearer end; 0 at the ends.
 */
export function marginIn(arc: Arc, angle: number, cycle: number): number {
  const into = wrap(angle - arc.from, cycle);
  const margin =
    into <= arc.length
      ? Math.min(into, arc.length - into)
      : -Math.min(into - arc.length, cycle - into);
  return tidy(margin);
}

/** The angle deepest inside the arc. */
export function middleOf(arc: Arc, cycle: number): number {
  return wrap(arc.from + arc.length / 2, cycle);
}

/** The arc turned by `by` degrees. */
export function shifted(arc: Arc, by: number, cycle: number): Arc {
  return { from: wrap(arc.from + by, cycle), length: arc.length };
}

/** `marginIn` at every whole degree of the cycle, in one pass. */
export function marginsByDegree(arc: Arc, cycle: number): Float64Array {
  const margins = new Float64Array(cycle);
  for (let degree = 0; degree < cycle; degree++) {
    let into = degree - arc.from;
    if (into < 0) into += cycle;
    margins[degree] =
      into <= arc.length
        ? Math.min(into, arc.length - into)
        : -Math.min(into - arc.length, cycle - into);
  }
  return margins;
}
