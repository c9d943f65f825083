import { itemAt } from '../itemAt';
import { ANGLE_TOLERANCE, apart, tidy, wrap } from '../engine/angle';
import type { Firing } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import type { Watch } from './barringPlan';

/** A place where the crank may be stopped, before anything is assigned to it. */
export type Site = {
  at: number;
  mark?: string;
  /** The cylinder whose firing TDC this is. */
  cylinder?: number;
  watch?: Watch;
};

/** How close a mark must stand to be named at an exactly computed angle, degrees. */
const MARK_NEARNESS = 1;

/** The site with the nearest mark within 1° named. */
export function withMark(site: Site, sheet: EngineSheet): Site {
  let nearest: { name: string; away: number } | undefined;
  for (const mark of sheet.marks ?? []) {
    const away = apart(mark.at, site.at, 360);
    if (away <= MARK_NEARNESS + ANGLE_TOLERANCE && away < (nearest?.away ?? Infinity)) {
      nearest = { name: mark.name, away };
    }
  }
  return nearest ? { ...site, mark: nearest.name } : site;
}

/** The crank angle a plan is reckoned from when nobody knows where the crank is. */
export function homeAngle(firing: Firing): number {
  return firing.at.get(1) ?? 0;
}

/** The forward way from each angle to the next; the first from `startAt`, else 0. */
export function turnsOf(angles: readonly number[], cycle: number, startAt?: number): number[] {
  return angles.map((at, i) => {
    if (i === 0) return startAt === undefined ? 0 : wrap(at - startAt, cycle);
    return wrap(at - itemAt(angles, i - 1), cycle);
  });
}

export function sumOf(turns: readonly number[]): number {
  return tidy(turns.reduce((sum, turn) => sum + turn, 0));
}

/**
 * The sites in the order they are visited: forward from `startAt`, else beginning at the one
 * nearest cylinder 1's firing TDC (of two as near: the less turning, the smaller turns in
 * order, the one ahead).
 */
export function inVisitingOrder(sites: Site[], firing: Firing, startAt?: number): Site[] {
  const { cycle } = firing;
  if (sites.length === 0) return [];
  if (startAt !== undefined) {
    return [...sites].sort((a, b) => wrap(a.at - startAt, cycle) - wrap(b.at - startAt, cycle));
  }
  const home = homeAngle(firing);
  const ahead = [...sites].sort((a, b) => wrap(a.at - home, cycle) - wrap(b.at - home, cycle));
  const least = Math.min(...ahead.map((site) => apart(site.at, home, cycle)));
  const orders = ahead
    .map((site, i) => ({ site, order: [...ahead.slice(i), ...ahead.slice(0, i)] }))
    .filter(({ site }) => apart(site.at, home, cycle) < least + ANGLE_TOLERANCE)
    .map(({ order }) => ({
      order,
      turns: turnsOf(
        order.map(({ at }) => at),
        cycle,
      ),
    }));
  orders.sort((a, b) => compareTurns(a.turns, b.turns));
  return itemAt(orders, 0).order;
}

/** Less total turning first, then smaller turns read in order; 0 within the tolerance. */
function compareTurns(a: readonly number[], b: readonly number[]): number {
  return compareAngles(sumOf(a), sumOf(b)) || compareInOrder(a, b);
}

/** Smaller angles read in order; 0 within the tolerance. */
export function compareInOrder(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < Math.min(a.length, b.length); i++) {
    const difference = compareAngles(itemAt(a, i), itemAt(b, i));
    if (difference !== 0) return difference;
  }
  return a.length - b.length;
}

function compareAngles(a: number, b: number): number {
  return Math.abs(a - b) < ANGLE_TOLERANCE ? 0 : a - b;
}
