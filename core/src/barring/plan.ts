import type { EngineSheet } from '../engine/sheet';
import { planEach } from './each';
import { planFewest } from './fewest';
import { planManual } from './manual';
import { planMate } from './mate';
import { planTwoPosition } from './twoPosition';
import { planWatch } from './watch';
import type { BarringPlan, PlanOptions } from './barringPlan';
import type { Result } from '../result';

/**
 * Where to stop the crank, and what to set at each stop, by one method of the work.
 * Takes the sheet as it stands in the file. Refuses, with the reason, what cannot be done
 * on this engine; never throws on a sheet that `parseSheet` accepts.
 *
 * @example planBarring(six, { method: 'two-position' }).stops.map(({ at }) => at) // [0, 360]
 */
export function planBarring(sheet: EngineSheet, options: PlanOptions): Result<BarringPlan> {
  switch (options.method) {
    case 'two-position':
      return planTwoPosition(sheet, options);
    case 'each':
      return planEach(sheet, options);
    case 'mate':
      return planMate(sheet, options);
    case 'watch':
      return planWatch(sheet, options);
    case 'fewest':
      return planFewest(sheet, options);
    case 'manual':
      return planManual(sheet, options);
    default:
      return { refused: 'unknown-method', says: `There is no method “${String(options.method)}”.` };
  }
}
