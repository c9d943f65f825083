import { present } from '../present';
import { itemAt } from '../itemAt';
import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { ANGLE_TOLERANCE } from '../engine/angle';
import { marginIn, middleOf } from '../engine/arc';
import type { Firing } from '../engine/firing';
import { firingOf } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { isTelling, KIND_NAMES } from '../engine/kinds';
import type { BarringPlan, LeftOver, Stop } from './barringPlan';
import type { Site } from './sites';
import { sumOf, turnsOf } from './sites';
import { isRefused } from '../result';

/** Chooses the site (by its place in visiting order) an adjuster is set at; none if none. */
export type Assign = (adjuster: Adjuster, sites: readonly Site[]) => number | undefined;

/**
 * What every method starts from: what is to be set, and all there is, by whose rockers the crank
 * is told.
 */
export type Engine = {
  sheet: EngineSheet;
  firing: Firing;
  adjusters: readonly Adjuster[];
  all: readonly Adjuster[];
};

/** The engine of a sheet; `ids` where only these are to be set. */
export function engineOf(sheet: EngineSheet, ids?: readonly string[]): Engine {
  const firing = firingOf(sheet);
  const all = adjustersOf(sheet);
  const adjusters = ids ? all.filter(({ id }) => ids.includes(id)) : all;
  return { sheet, firing, adjusters, all };
}

/**
 * The margin of an adjuster at a crank angle; undefined where its place is unknown.
 *
 * @example marginAt(adjustersOf(six)[0], 0, 720) // 145
 */
export function marginAt(adjuster: Adjuster, at: number, cycle: number): number | undefined {
  return 'arc' in adjuster.place ? marginIn(adjuster.place.arc, at, cycle) : undefined;
}

/** Whether an adjuster meets its condition at a crank angle. */
export function holdsAt(adjuster: Adjuster, at: number, cycle: number): boolean {
  const margin = marginAt(adjuster, at, cycle);
  return (
    margin !== undefined &&
    'need' in adjuster.place &&
    margin >= adjuster.place.need - ANGLE_TOLERANCE
  );
}

/** The site of the largest margin where the condition holds, the earlier on a tie. */
export function widest(
  adjuster: Adjuster,
  sites: readonly Site[],
  cycle: number,
  from = 0,
): number | undefined {
  let best: number | undefined;
  let bestMargin = -Infinity;
  for (let i = from; i < sites.length; i++) {
    const { at } = itemAt(sites, i);
    if (!holdsAt(adjuster, at, cycle)) continue;
    const margin = present(marginAt(adjuster, at, cycle));
    if (margin > bestMargin + ANGLE_TOLERANCE) [best, bestMargin] = [i, margin];
  }
  return best;
}

/** Places every adjuster and writes the plan out. `sites` stand in visiting order. */
export function assemble(
  engine: Engine,
  sites: readonly Site[],
  assign: Assign,
  startAt?: number,
): BarringPlan {
  const { adjusters, firing } = engine;
  const placed = new Map<Adjuster, number>();
  const leftOver: LeftOver[] = [];
  for (const adjuster of adjusters) {
    const site = assign(adjuster, sites);
    if (site !== undefined) placed.set(adjuster, site);
    else leftOver.push(leftOverOf(adjuster, firing.cycle, whyNowhere(adjuster)));
  }
  leftOver.push(...holdBack(placed, sites, firing.cycle));
  const sets = sites.map((site, i) => {
    const here = adjusters.filter((adjuster) => placed.get(adjuster) === i);
    return inWorkingOrder(here, site.cylinder, firing);
  });
  return writePlan(engine, sites, sets, leftOver, startAt);
}

/** The plan with its turns, margins and checks, from what is set at each site. */
export function writePlan(
  { all, firing }: Engine,
  sites: readonly Site[],
  sets: readonly (readonly Adjuster[])[],
  leftOver: LeftOver[],
  startAt?: number,
): BarringPlan {
  const { cycle } = firing;
  const turns = turnsOf(
    sites.map(({ at }) => at),
    cycle,
    startAt,
  );
  const margins: number[] = [];
  const spares: number[] = [];
  const stops = sites.map(({ at, mark, watch }, i): Stop => {
    const set = (sets[i] ?? []).map((adjuster) => {
      const margin = marginAt(adjuster, at, cycle) ?? 0;
      margins.push(margin);
      if ('need' in adjuster.place) spares.push(margin - adjuster.place.need);
      return { id: adjuster.id, margin };
    });
    return {
      at,
      ...(mark !== undefined && { mark }),
      turn: itemAt(turns, i),
      set,
      ...rockersAt(all, at, cycle),
      ...(watch && { watch }),
    };
  });
  return {
    cycle,
    stops,
    smallestMargin: margins.length ? Math.min(...margins) : null,
    spare: spares.length ? Math.min(...spares) : null,
    totalTurn: sumOf(turns),
    leftOver,
  };
}

/**
 * Which rockers must feel loose and which firm with the crank at `at`. Between a guard off
 * the lobe and half a guard on it nothing is claimed; a sprung train is never loose.
 */
export function rockersAt(
  adjusters: readonly Adjuster[],
  at: number,
  cycle: number,
): { loose: string[]; firm: string[] } {
  const loose: string[] = [];
  const firm: string[] = [];
  for (const { id, kind, baseCircle, guard } of adjusters) {
    if (!isTelling(kind) || !baseCircle) continue;
    const margin = marginIn(baseCircle, at, cycle);
    if (margin >= guard - ANGLE_TOLERANCE) loose.push(id);
    else if (margin <= -guard / 2 + ANGLE_TOLERANCE) firm.push(id);
  }
  return { loose, firm };
}

export function leftOverOf(adjuster: Adjuster, cycle: number, reason: string): LeftOver {
  const at = 'arc' in adjuster.place ? middleOf(adjuster.place.arc, cycle) : null;
  return { id: adjuster.id, reason, at };
}

function whyNowhere(adjuster: Adjuster): string {
  if (isRefused(adjuster.place)) return adjuster.place.says;
  return 'It meets its condition at none of these stops.';
}

/**
 * What must be done after other kinds of its cylinder is moved to a later stop where it
 * stood before them; with no such stop it is left over. Repeats until nothing moves.
 */
function holdBack(
  placed: Map<Adjuster, number>,
  sites: readonly Site[],
  cycle: number,
): LeftOver[] {
  const dropped: LeftOver[] = [];
  for (let moved = true; moved;) {
    moved = false;
    for (const [adjuster, site] of placed) {
      const after = adjuster.entry.after ?? [];
      if (after.length === 0) continue;
      const latest = Math.max(
        site,
        ...[...placed]
          .filter(([other]) => other !== adjuster && mustPrecede(other, adjuster))
          .map(([, otherSite]) => otherSite),
      );
      if (latest === site) continue;
      moved = true;
      const later = widest(adjuster, sites, cycle, latest);
      if (later !== undefined) placed.set(adjuster, later);
      else {
        placed.delete(adjuster);
        const reason = `It comes after ${after.join(' and ')}, and no later stop serves it.`;
        dropped.push(leftOverOf(adjuster, cycle, reason));
      }
    }
  }
  return dropped;
}

function mustPrecede(other: Adjuster, adjuster: Adjuster): boolean {
  return other.cylinder === adjuster.cylinder && (adjuster.entry.after ?? []).includes(other.kind);
}

/**
 * Within a stop: the stop's own cylinder first, then bridge, injector, intake, exhaust,
 * brake, each in firing order; what must follow another of its cylinder waits for it.
 */
function inWorkingOrder(here: Adjuster[], own: number | undefined, firing: Firing): Adjuster[] {
  const rank = (adjuster: Adjuster) =>
    [
      adjuster.cylinder === own ? 0 : 1,
      KIND_NAMES.indexOf(adjuster.kind),
      firing.order.indexOf(adjuster.cylinder),
      adjuster.n,
    ] as const;
  const waiting = [...here].sort((a, b) => {
    const [ranksA, ranksB] = [rank(a), rank(b)];
    const i = ranksA.findIndex((value, k) => value !== ranksB[k]);
    return i < 0 ? 0 : itemAt(ranksA, i) - itemAt(ranksB, i);
  });
  const ordered: Adjuster[] = [];
  while (waiting.length > 0) {
    const ready = waiting.findIndex(
      (adjuster) => !waiting.some((other) => other !== adjuster && mustPrecede(other, adjuster)),
    );
    // Two kinds each told to follow the other cannot both be obeyed: the usual order stands.
    ordered.push(...waiting.splice(Math.max(ready, 0), 1));
  }
  return ordered;
}
