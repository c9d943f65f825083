import { itemAt } from '../itemAt';
import type { Adjuster } from '../engine/adjusters';
import { firingTdc } from '../engine/firing';
import type { Firing } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import type { Assign, Engine } from './assembly';
import { assemble, engineOf, holdsAt, widest } from './assembly';
import type { BarringPlan, PlanOptions } from './barringPlan';
import type { Site } from './sites';
import { inVisitingOrder, withMark } from './sites';
import type { Result } from '../result';

/** One stop per cylinder at its own firing TDC, in firing order. */
export function planEach(sheet: EngineSheet, { startAt, ids }: PlanOptions): Result<BarringPlan> {
  const engine = engineOf(sheet, ids);
  const sites = inVisitingOrder(firingSites(engine), engine.firing, startAt);
  return assemble(engine, sites, atOwnStop(engine.firing), startAt);
}

/** Every cylinder's own firing TDC, in firing order. */
export function firingSites({ sheet, firing }: Engine): Site[] {
  return firing.order.map((cylinder) =>
    withMark({ at: firingTdc(firing, cylinder), cylinder }, sheet),
  );
}

/** An adjuster goes to its cylinder's own stop, or where its condition holds best. */
export function atOwnStop(firing: Firing): Assign {
  return (adjuster, sites) => {
    const stopOf = stopCylinder(adjuster, firing);
    const own = sites.findIndex((site) => site.cylinder === stopOf);
    const site = sites[own];
    if (site && holdsAt(adjuster, site.at, firing.cycle)) return own;
    return widest(adjuster, sites, firing.cycle);
  };
}

/** The cylinder at whose stop the adjuster is set: its own, or `follows` places earlier. */
function stopCylinder({ cylinder, entry }: Adjuster, { order }: Firing): number {
  const place = order.indexOf(cylinder) - (entry.follows ?? 0);
  return itemAt(order, ((place % order.length) + order.length) % order.length);
}
