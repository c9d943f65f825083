import { rockersAt } from '../barring/assembly';
import { apart } from '../engine/angle';
import { adjustersOf } from '../engine/adjusters';
import { marginIn } from '../engine/arc';
import { firingOf, runningMate } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { rememberBy } from '../remember';
import { firstRockers } from './mostTelling';

/** What is expected of the rockers that are asked at a stop. */
export type Feel = { loose: string[]; firm: string[] };

/** A cylinder whose firing TDC lies this near the stop fires there, degrees. */
const FIRES_WITHIN = 1;

/**
 * The rockers to feel at a stop, four at most: those of the cylinder at its firing TDC and of
 * its mate; where there is no such pair, of the two cylinders that best tell this place from
 * the one 360° on. Rockers of which nothing is claimed there are not asked.
 *
 * @example rockersToFeel(six, 0)
 *   // { loose: ['intake.1', 'exhaust.1'], firm: ['intake.6', 'exhaust.6'] }
 */
export const rockersToFeel = rememberBy(choose, (at) => at);

function choose(sheet: EngineSheet, at: number): Feel {
  const firing = firingOf(sheet);
  const claimed = rockersAt(adjustersOf(sheet), at, firing.cycle);
  const asked = (cylinders: readonly number[]): Feel => {
    const ids = cylinders.flatMap((cylinder) => firstRockers(sheet, cylinder).map(({ id }) => id));
    return {
      loose: ids.filter((id) => claimed.loose.includes(id)),
      firm: ids.filter((id) => claimed.firm.includes(id)),
    };
  };
  const fires = firing.order.find(
    (cylinder) => apart(firing.at.get(cylinder) ?? 0, at, firing.cycle) <= FIRES_WITHIN,
  );
  const mate = fires === undefined ? undefined : runningMate(firing, fires);
  if (fires !== undefined && mate !== undefined) {
    const pair = asked([fires, mate]);
    if (pair.loose.length + pair.firm.length > 0) return pair;
  }
  return asked(tellingCylinders(sheet, at).slice(0, 2));
}

/** The cylinders whose rockers tell this place from the one 360° on, the surest first. */
export function tellingCylinders(sheet: EngineSheet, at: number): number[] {
  const { cycle } = firingOf(sheet);
  const claimed = rockersAt(adjustersOf(sheet), at, cycle);
  return [...sheet.firing.order]
    .map((cylinder) => ({ cylinder, tells: tellsTheTurn(sheet, cylinder, at, claimed) }))
    .filter(({ tells }) => tells > 1)
    .sort((a, b) => b.tells - a.tells)
    .map(({ cylinder }) => cylinder);
}

/** How surely a cylinder tells this place from the one 360° on; −∞ where it is not asked. */
function tellsTheTurn(sheet: EngineSheet, cylinder: number, at: number, feel: Feel): number {
  const { cycle } = firingOf(sheet);
  let sum = -Infinity;
  for (const { id, baseCircle } of firstRockers(sheet, cylinder)) {
    const loose = feel.loose.includes(id);
    if (!baseCircle || !(loose || feel.firm.includes(id))) continue;
    const here = Math.abs(marginIn(baseCircle, at, cycle));
    const there = marginIn(baseCircle, (at + 360) % cycle, cycle) * (loose ? -1 : 1);
    // A rocker that is found alike on the other turn tells nothing of the turn.
    const own = cycle === 360 ? here : Math.min(here, there);
    sum = (sum === -Infinity ? 0 : sum) + Math.max(own, 0) + 1e-3;
  }
  return sum;
}
