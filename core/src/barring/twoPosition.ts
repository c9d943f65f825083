import { wrap } from '../engine/angle';
import type { EngineSheet } from '../engine/sheet';
import { assemble, engineOf, widest } from './assembly';
import type { BarringPlan, PlanOptions, Refused } from './barringPlan';
import { inVisitingOrder, withMark } from './sites';

/** Two positions: one cylinder's firing TDC, and one turn on. */
export function planTwoPosition(
  sheet: EngineSheet,
  { startAt, cylinder = 1, kinds }: PlanOptions,
): BarringPlan | Refused {
  if (sheet.cycle === 2) {
    return {
      refused: 'A two-stroke repeats every turn: one turn on it stands just as it did before.',
    };
  }
  const engine = engineOf(sheet, kinds);
  const { firing } = engine;
  const tdc = firing.at.get(cylinder);
  if (tdc === undefined) {
    return { refused: `Cylinder ${cylinder} is not in the firing order.` };
  }
  const sites = [tdc, wrap(tdc + 360, firing.cycle)].map((at) => withMark({ at }, sheet));
  return assemble(
    engine,
    inVisitingOrder(sites, firing, startAt),
    (adjuster, visited) => widest(adjuster, visited, firing.cycle),
    startAt,
  );
}
