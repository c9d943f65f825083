import { present } from '../present';
import { runningMate } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { assemble, engineOf } from './assembly';
import { atOwnStop, firingSites } from './each';
import type { BarringPlan, PlanOptions } from './barringPlan';
import type { Site } from './sites';
import { inVisitingOrder } from './sites';
import type { Result } from '../result';

/** As `each`, told by the running mate: when it rocks at overlap, this cylinder fires. */
export function planMate(sheet: EngineSheet, { startAt, ids }: PlanOptions): Result<BarringPlan> {
  if (sheet.cycle === 2)
    return { refused: 'two-stroke', says: 'A two-stroke has no overlap to rock at.' };
  const engine = engineOf(sheet, ids);
  const { firing } = engine;
  const sites: Site[] = [];
  for (const site of firingSites(engine)) {
    const mate = runningMate(firing, present(site.cylinder));
    if (mate === undefined) {
      return {
        refused: 'no-mate',
        says: `Cylinder ${site.cylinder} has no running mate 360° away to rock.`,
      };
    }
    sites.push({ ...site, watch: { cylinder: mate, state: 'rocking' } });
  }
  return assemble(engine, inVisitingOrder(sites, firing, startAt), atOwnStop(firing), startAt);
}
