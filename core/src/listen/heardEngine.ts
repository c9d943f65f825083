import { ANGLE_TOLERANCE, apart } from '../engine/angle';
import { cycleDegrees, firingOf } from '../engine/firing';
import { lobeLength, lobeOf } from '../engine/lobes';
import type { EngineSheet } from '../engine/sheet';

/** What is known of an engine before it is listened to. */
export type HeardEngine = {
  /** Turns of the crank in a cycle: 2, in a two-stroke 1. */
  turns: 1 | 2;
  /**
   * How often it fires alike in one cycle: a straight six 6 times, a vee six that fires after 90°
   * and 150° in turn 3 times. So many parts of a cycle can be held against each other.
   */
  steps: number;
  /** How long its valves are open, as parts of a cycle: one loose valve ticks at both ends of it. */
  open: number[];
};

/**
 * What listening needs to know of an engine.
 *
 * @example heardEngine(six).steps // 6
 */
export function heardEngine(sheet: EngineSheet): HeardEngine {
  const cycle = cycleDegrees(sheet);
  const lobes = [lobeOf(sheet, 'intake'), lobeOf(sheet, 'exhaust')];
  return {
    turns: cycle === 360 ? 1 : 2,
    steps: stepsOf([...firingOf(sheet).at.values()], cycle),
    open: lobes.flatMap((lobe) => (lobe ? [lobeLength(lobe, cycle) / cycle] : [])),
  };
}

function stepsOf(fires: readonly number[], cycle: number): number {
  const alike = (shift: number) =>
    fires.every((angle) =>
      fires.some((other) => apart(angle + shift, other, cycle) < ANGLE_TOLERANCE),
    );
  for (let steps = fires.length; steps > 1; steps--) if (alike(cycle / steps)) return steps;
  return 1;
}
