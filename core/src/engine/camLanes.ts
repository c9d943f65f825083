import { firingOf, standing } from './firing';
import { lift } from './lobes';
import type { EngineSheet } from './sheet';

/** One cylinder's lift over a cycle: 0 on base circle to 1 at the peak, evenly sampled. */
export type CamLane = { cylinder: number; intake: number[]; exhaust: number[] };

const STEP = 6;

/** The lanes of the cam map in firing order, sampled every 6 crank degrees, both ends held. */
export function camLanes(sheet: EngineSheet): CamLane[] {
  const firing = firingOf(sheet);
  const angles = Array.from({ length: firing.cycle / STEP + 1 }, (_, i) => i * STEP);
  return firing.order.map((cylinder) => {
    const lifts = (kind: 'intake' | 'exhaust') =>
      angles.map((angle) => lift(sheet, kind, standing(firing, cylinder, angle)));
    return { cylinder, intake: lifts('intake'), exhaust: lifts('exhaust') };
  });
}
