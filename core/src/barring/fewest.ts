import { present } from '../present';
import type { Adjuster } from '../engine/adjusters';
import { ANGLE_TOLERANCE, apart, wrap } from '../engine/angle';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import type { Engine } from './assembly';
import { assemble, engineOf, widest } from './assembly';
import type { Condition } from './cover';
import { fewestStops } from './cover';
import type { BarringPlan, PlanOptions } from './barringPlan';
import type { Site } from './sites';
import { homeAngle, withMark } from './sites';

/**
 * The least number of stops; among those the largest smallest margin; among those the least
 * turning. With marks the stops stand at marks; without, at whole degrees, and the plan of
 * the same count at firing TDCs is offered beside it.
 */
export function planFewest(sheet: EngineSheet, { startAt, ids }: PlanOptions): BarringPlan {
  const engine = engineOf(sheet, ids);
  const marked = markSites(sheet);
  if (marked.length > 0) return cover(engine, marked, startAt).plan;
  const { cycle, at } = engine.firing;
  const degrees = Array.from({ length: cycle }, (_, degree): Site => ({ at: degree }));
  const free = cover(engine, degrees, startAt);
  const firingSites = [...new Set(at.values())].map((angle): Site => ({ at: angle }));
  const atFiring = cover(engine, firingSites, startAt);
  const sameWork =
    atFiring.served === free.served && atFiring.plan.stops.length === free.plan.stops.length;
  if (!sameWork) return free.plan;
  const cost = (free.plan.smallestMargin ?? 0) - (atFiring.plan.smallestMargin ?? 0);
  return { ...free.plan, atFiring: { ...atFiring.plan, cost } };
}

/** The marks' angles over the whole cycle; of two marks at one place the first is named. */
function markSites(sheet: EngineSheet): Site[] {
  const cycle = cycleDegrees(sheet);
  const sites: Site[] = [];
  for (const { name, at } of sheet.marks ?? []) {
    for (let turn = 0; turn < cycle; turn += 360) {
      const angle = wrap(at + turn, cycle);
      const taken = sites.some((site) => apart(site.at, angle, cycle) < ANGLE_TOLERANCE);
      if (!taken) sites.push({ at: angle, mark: name });
    }
  }
  return sites;
}

function cover(
  engine: Engine,
  candidates: readonly Site[],
  startAt: number | undefined,
): { plan: BarringPlan; served: number } {
  const { adjusters, firing, sheet } = engine;
  const { angles, served } = fewestStops({
    conditions: adjusters.flatMap(({ place }): Condition[] => ('arc' in place ? [place] : [])),
    candidates: candidates.map(({ at }) => at),
    cycle: firing.cycle,
    home: homeAngle(firing),
    startAt,
  });
  const sites = angles.map((at) => {
    const site = present(candidates.find((candidate) => candidate.at === at));
    return site.mark === undefined ? withMark(site, sheet) : site;
  });
  const assign = (adjuster: Adjuster, visited: readonly Site[]) =>
    widest(adjuster, visited, firing.cycle);
  return { plan: assemble(engine, sites, assign, startAt), served: served.filter(Boolean).length };
}
