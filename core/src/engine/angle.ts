/** Angles closer than this are the same (degrees). */
export const ANGLE_TOLERANCE = 1e-6;

/**
 * `angle` brought into [0, cycle); what lies a hair below the cycle is 0.
 *
 * @example wrap(-90, 720) // 630
 */
export function wrap(angle: number, cycle: number): number {
  const wrapped = ((angle % cycle) + cycle) % cycle;
  return tidy(wrapped > cycle - ANGLE_TOLERANCE ? 0 : wrapped);
}

/** The shorter way between two angles of a circle of `cycle` degrees, 0 to cycle / 2. */
export function apart(a: number, b: number, cycle: number): number {
  const way = wrap(a - b, cycle);
  return Math.min(way, cycle - way);
}

/** Drops the noise of floating point, far below the tolerance. */
export function tidy(angle: number): number {
  return Math.round(angle * 1e9) / 1e9 + 0;
}
