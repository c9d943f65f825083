import { wrap } from '../engine/angle';
import type { EngineSheet } from '../engine/sheet';
import { assemble, engineOf, widest } from './assembly';
import type { BarringPlan, PlanOptions } from './barringPlan';
import { inVisitingOrder, withMark } from './sites';
import type { Result } from '../result';

/** Two positions: one cylinder's firing TDC, and one turn on. */
export function planTwoPosition(
  sheet: EngineSheet,
  { startAt, cylinder = 1, ids }: PlanOptions,
): Result<BarringPlan> {
  if (sheet.cycle === 2) {
    return {
      refused: 'two-stroke',
      says: 'A two-stroke repeats every turn: one turn on it stands just as it did before.',
    };
  }
  const engine = engineOf(sheet, ids);
  const { firing } = engine;
  const tdc = firing.at.get(cylinder);
  if (tdc === undefined) {
    return { refused: 'not-on-engine', says: `Cylinder ${cylinder} is not in the firing order.` };
  }
  const sites = [tdc, wrap(tdc + 360, firing.cycle)].map((at) => withMark({ at }, sheet));
  return assemble(
    engine,
    inVisitingOrder(sites, firing, startAt),
    (adjuster, visited) => widest(adjuster, visited, firing.cycle),
    startAt,
  );
}
