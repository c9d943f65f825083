import { firingOf, runningMate } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import type { Stop } from './barringPlan';

/** The cylinders that tell a stop: both rockers of these loose, both of those firm. */
export type Wiggle = { loose: number[]; firm: number[] };

/**
 * Which cylinders to wiggle to be sure of a stop: those with all rockers loose whose running
 * mate has all of them firm; where no mate tells, whatever is all loose or all firm.
 */
export function wiggleAt(
  sheet: EngineSheet,
  { loose, firm }: Pick<Stop, 'loose' | 'firm'>,
): Wiggle {
  const firing = firingOf(sheet);
  const all = (ids: readonly string[], cylinder: number) =>
    ['intake', 'exhaust'].every(
      (kind) =>
        !sheet.adjusters.some((entry) => entry.kind === kind) ||
        ids.some((id) => id === `${kind}.${cylinder}` || id.startsWith(`${kind}.${cylinder}.`)),
    );
  const pairs = firing.order.flatMap((cylinder) => {
    const mate = runningMate(firing, cylinder);
    if (mate === undefined || !all(loose, cylinder) || !all(firm, mate)) return [];
    return [{ cylinder, mate }];
  });
  if (pairs.length > 0) {
    return { loose: pairs.map(({ cylinder }) => cylinder), firm: pairs.map(({ mate }) => mate) };
  }
  return {
    loose: firing.order.filter((cylinder) => all(loose, cylinder)),
    firm: firing.order.filter((cylinder) => all(firm, cylinder)),
  };
}
