import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { ANGLE_TOLERANCE, wrap } from '../engine/angle';
import { marginsByDegree } from '../engine/arc';
import type { Firing } from '../engine/firing';
import { firingOf } from '../engine/firing';
import { lobeOf } from '../engine/lobes';
import type { EngineSheet } from '../engine/sheet';
import type { BarringPlan, Refused } from './barringPlan';
import { isRefused } from './barringPlan';
import type { Observation } from './observation';

/** Degrees `from` to `to`; through 0 where `from > to`. All share what speaks against them. */
export type CrankInterval = { from: number; to: number; against: Observation[] };

export type CrankLocation = {
  intervals: CrankInterval[];
  /** The cylinder whose rockers to wiggle next; absent when nothing narrows further. */
  next?: number;
};

const DOWN_WITHIN = 30;
const ROCKING_WITHIN = 20;
const MARK_WITHIN = 4;

/**
 * Where the crank can be, in whole degrees: all that contradict the fewest observations. A
 * valve with almost no lash feels firm on its base circle, so one odd reading is named in
 * `against` rather than believed. Refuses an observation that this engine cannot give.
 */
export function locateCrank(
  sheet: EngineSheet,
  observations: readonly Observation[],
): CrankLocation | Refused {
  const firing = firingOf(sheet);
  const { cycle } = firing;
  const rockers = rockersOf(sheet, firing);
  const contradicted: Uint8Array[] = [];
  const counts = new Uint16Array(cycle);
  for (const observation of observations) {
    const claim = claimOf(observation, sheet, firing, rockers);
    if (isRefused(claim)) return claim;
    contradicted.push(contradictions(claim, counts));
  }
  const least = counts.reduce((a, b) => Math.min(a, b));
  const remaining: number[] = [];
  counts.forEach((count, degree) => {
    if (count === least) remaining.push(degree);
  });
  const intervals = intervalsOf(remaining, contradicted, cycle).map(({ from, to }) => ({
    from,
    to,
    against: observations.filter((_, i) => contradicted[i]?.[from] === 1),
  }));
  const next = mostTelling(remaining, firing, rockers);
  return next === undefined ? { intervals } : { intervals, next };
}

/** An adjuster, and how far off its lobe's edge it stands at every whole degree. */
type Rocker = Adjuster & { margins?: Float64Array };

function rockersOf(sheet: EngineSheet, firing: Firing): Map<string, Rocker> {
  // Adjusters that share a base circle share its margins.
  const known = new Map<string, Float64Array>();
  const rockers = new Map<string, Rocker>();
  for (const adjuster of adjustersOf(sheet)) {
    const { id, kind, baseCircle } = adjuster;
    if (!baseCircle || (kind !== 'intake' && kind !== 'exhaust')) {
      rockers.set(id, adjuster);
      continue;
    }
    const key = `${baseCircle.from} ${baseCircle.length}`;
    const margins = known.get(key) ?? marginsByDegree(baseCircle, firing.cycle);
    known.set(key, margins);
    rockers.set(id, { ...adjuster, margins });
  }
  return rockers;
}

/** Every observation says that the crank stands inside an arc, or outside it. */
type Claim = { margins: Float64Array; inside: boolean };

/** The degrees that contradict a claim, 1 each, counted into `counts` as well. */
function contradictions({ margins, inside }: Claim, counts: Uint16Array): Uint8Array {
  const against = new Uint8Array(margins.length);
  for (let degree = 0; degree < margins.length; degree++) {
    if ((margins[degree] as number) >= -ANGLE_TOLERANCE === inside) continue;
    against[degree] = 1;
    counts[degree] = (counts[degree] as number) + 1;
  }
  return against;
}

/** That the crank stands within so many degrees of an angle. */
function near(angle: number, within: number, cycle: number): Claim {
  const arc = { from: wrap(angle - within, cycle), length: 2 * within };
  return { margins: marginsByDegree(arc, cycle), inside: true };
}

function claimOf(
  observation: Observation,
  sheet: EngineSheet,
  firing: Firing,
  rockers: ReadonlyMap<string, Rocker>,
): Claim | Refused {
  if ('mark' in observation) {
    const mark = sheet.marks?.find(({ name }) => name === observation.mark);
    if (!mark) return { refused: `The sheet has no mark “${observation.mark}”.` };
    const { margins } = near(mark.at, MARK_WITHIN, 360);
    const turns = Array.from({ length: firing.cycle / 360 }, () => [...margins]);
    return { margins: Float64Array.from(turns.flat()), inside: true };
  }
  if ('cylinder' in observation) return rocking(observation.cylinder, sheet, firing);
  const found = rockers.get(observation.id);
  if (!found) return { refused: `There is no adjuster “${observation.id}” on this engine.` };
  return rocker(found, observation.state, firing.cycle);
}

function rocker(
  { id, kind, margins, peak }: Rocker,
  state: 'loose' | 'firm' | 'down',
  cycle: number,
): Claim | Refused {
  if (kind !== 'intake' && kind !== 'exhaust') {
    return { refused: `${id} has a sprung train: only intake and exhaust rockers tell.` };
  }
  if (!margins || peak === undefined) return { refused: `The sheet gives no lobe for ${id}.` };
  return state === 'down' ? near(peak, DOWN_WITHIN, cycle) : { margins, inside: state === 'loose' };
}

function rocking(cylinder: number, sheet: EngineSheet, firing: Firing): Claim | Refused {
  if (firing.cycle !== 720) return { refused: 'A two-stroke has no overlap to rock at.' };
  const tdc = firing.at.get(cylinder);
  if (tdc === undefined) return { refused: `Cylinder ${cylinder} is not in the firing order.` };
  const intake = lobeOf(sheet, 'intake');
  const exhaust = lobeOf(sheet, 'exhaust');
  const overlap = intake && exhaust ? wrap(exhaust.closes - intake.opens, firing.cycle) : 0;
  if (!intake || overlap > firing.cycle / 2) {
    return { refused: 'On this engine the exhaust closes before the intake opens: none rocks.' };
  }
  return near(tdc + intake.opens + overlap / 2, ROCKING_WITHIN, firing.cycle);
}

/** Neighbouring degrees contradicted by the same observations joined, through 0 as well. */
function intervalsOf(
  remaining: readonly number[],
  contradicted: readonly Uint8Array[],
  cycle: number,
): { from: number; to: number }[] {
  const alike = (a: number, b: number) => contradicted.every((row) => row[a] === row[b]);
  const runs: { from: number; to: number }[] = [];
  for (const degree of remaining) {
    const last = runs[runs.length - 1];
    if (last && last.to === degree - 1 && alike(last.to, degree)) last.to = degree;
    else runs.push({ from: degree, to: degree });
  }
  const first = runs[0];
  const last = runs[runs.length - 1];
  const closes = first?.from === 0 && last?.to === cycle - 1;
  if (first && last && first !== last && closes && alike(0, cycle - 1)) {
    last.to = first.to;
    runs.shift();
  }
  return runs;
}

/**
 * The cylinder whose rockers leave the fewest degrees on average, every remaining degree
 * being as likely; on a tie the one whose rockers stay farthest from a lobe's edge.
 */
function mostTelling(
  remaining: readonly number[],
  firing: Firing,
  rockers: ReadonlyMap<string, Rocker>,
): number | undefined {
  let best: { cylinder: number; left: number; own: Float64Array[] } | undefined;
  for (const cylinder of firing.order) {
    const own = [...rockers.values()].flatMap((rocker) =>
      rocker.cylinder === cylinder && rocker.n === 1 && rocker.margins ? [rocker.margins] : [],
    );
    const left = leftOnAverage(own, remaining);
    const better =
      !best ||
      left < best.left ||
      (left === best.left &&
        clearance(own, remaining) > clearance(best.own, remaining) + ANGLE_TOLERANCE);
    if (better) best = { cylinder, left, own };
  }
  const narrows = best !== undefined && best.left < remaining.length ** 2;
  return narrows ? best?.cylinder : undefined;
}

/**
 * The degrees left on average once these rockers are felt, times the number remaining: the
 * sum of squares over the ways they can be found. The divisor is common to all cylinders.
 */
function leftOnAverage(own: readonly Float64Array[], remaining: readonly number[]): number {
  const patterns = new Uint32Array(1 << own.length);
  for (const degree of remaining) {
    let pattern = 0;
    for (const margins of own) {
      pattern = pattern * 2 + ((margins[degree] as number) >= -ANGLE_TOLERANCE ? 1 : 0);
    }
    patterns[pattern] = (patterns[pattern] as number) + 1;
  }
  return patterns.reduce((sum, count) => sum + count * count, 0);
}

/** How near any of these rockers comes to its lobe's edge over what remains, degrees. */
function clearance(own: readonly Float64Array[], remaining: readonly number[]): number {
  let least = Infinity;
  for (const margins of own) {
    for (const degree of remaining) {
      least = Math.min(least, Math.abs(margins[degree] as number));
    }
  }
  return least;
}

/** Beyond this span the way to a stop cannot be told honestly, degrees. */
const WIDEST_SPAN = 60;

/**
 * How far to bar from an uncertain position: the nearest stop ahead of every remaining
 * degree, by its place in `plan.stops`, with the smallest and the largest way to it.
 * Undefined while the remaining degrees span over 60°.
 */
export function barTo(
  plan: BarringPlan,
  intervals: readonly Pick<CrankInterval, 'from' | 'to'>[],
): { stop: number; from: number; to: number } | undefined {
  const cycle = plan.cycle ?? 720;
  const span = smallestSpan(intervals, cycle);
  if (!span || span.length > WIDEST_SPAN || plan.stops.length === 0) return undefined;
  const last = wrap(span.from + span.length, cycle);
  const ways = plan.stops.map(({ at }) => wrap(at - last, cycle));
  const from = Math.min(...ways);
  return { stop: ways.indexOf(from), from, to: from + span.length };
}

/** The shortest arc that holds all intervals. */
function smallestSpan(
  intervals: readonly Pick<CrankInterval, 'from' | 'to'>[],
  cycle: number,
): { from: number; length: number } | undefined {
  let best: { from: number; length: number } | undefined;
  for (const { from } of intervals) {
    const length = Math.max(
      ...intervals.map((other) =>
        Math.max(wrap(other.to - from, cycle), wrap(other.from - from, cycle)),
      ),
    );
    if (!best || length < best.length) best = { from, length };
  }
  return best;
}
