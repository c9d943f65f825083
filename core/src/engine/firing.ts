import { ANGLE_TOLERANCE, apart, tidy, wrap } from './angle';
import type { EngineSheet } from './sheet';

/** Crank degrees of one full cycle: 720 in a four-stroke, 360 in a two-stroke. */
export function cycleDegrees(sheet: Pick<EngineSheet, 'cycle'>): number {
  return sheet.cycle === 2 ? 360 : 720;
}

/** The cylinders in firing order with the crank angle at which each fires; the first at 0. */
export type Firing = {
  cycle: number;
  order: readonly number[];
  /** Crank angle of the cylinder's firing TDC, degrees in [0, cycle). */
  at: ReadonlyMap<number, number>;
};

/** Firing angles from order and gaps; equal gaps where none are given. */
export function firingOf(sheet: Pick<EngineSheet, 'cycle' | 'firing'>): Firing {
  const cycle = cycleDegrees(sheet);
  const { order, gaps } = sheet.firing;
  const at = new Map<number, number>();
  let angle = 0;
  order.forEach((cylinder, i) => {
    at.set(cylinder, gaps ? tidy(angle) : tidy((cycle * i) / order.length));
    angle += gaps?.[i] ?? 0;
  });
  return { cycle, order, at };
}

/**
 * Firing TDC of `cylinder`, crank degrees. Throws when the order does not hold it.
 *
 * @example firingTdc(firingOf(six), 5) // 120
 */
export function firingTdc(firing: Firing, cylinder: number): number {
  const at = firing.at.get(cylinder);
  if (at === undefined) throw new RangeError(`Cylinder ${cylinder} is not in the firing order.`);
  return at;
}

/**
 * The cylinder that fires 360° away in a four-stroke: when one is on compression the other
 * is at overlap. None in a two-stroke, nor where no cylinder fires there.
 *
 * @example runningMate(firingOf(six), 1) // 6
 */
export function runningMate(firing: Firing, cylinder: number): number | undefined {
  if (firing.cycle !== 720) return undefined;
  const opposite = firingTdc(firing, cylinder) + 360;
  return firing.order.find(
    (other) => apart(firingTdc(firing, other), opposite, 720) < ANGLE_TOLERANCE,
  );
}

/** Degrees after `cylinder`'s own firing TDC at crank angle `at`. */
export function standing(firing: Firing, cylinder: number, at: number): number {
  return wrap(at - firingTdc(firing, cylinder), firing.cycle);
}
