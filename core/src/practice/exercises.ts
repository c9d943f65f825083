import { holdsAt, marginAt } from '../barring/assembly';
import type { CrankBelief } from '../crank/belief';
import { crankBelief, spanOf, TOLD_WITHIN, unknownCrank } from '../crank/belief';
import { firstRockers } from '../crank/mostTelling';
import type { Observation } from '../crank/observation';
import { adjustersOf } from '../engine/adjusters';
import { adjusterName } from '../engine/adjusterEntry';
import { apart } from '../engine/angle';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet, Spec } from '../engine/sheet';
import type { BladeSet } from '../gauging/blades';
import { layOutBlades, plainBlades, readingFromTrials } from '../gauging/blades';
import { bladeToTry } from '../gauging/bladeToTry';
import { verdictOf } from '../gauging/judgeReading';
import type { Trial } from '../gauging/reading';
import { itemAt } from '../itemAt';
import { SeededRandom } from '../seededRandom';
import { formatSetting } from '../gauging/measure';
import type { Level } from './exercise';
import type { Faults, HiddenEngine } from './hiddenEngine';
import { hiddenEngine } from './hiddenEngine';
import { isRefused } from '../result';

/** How one round went: points of a hundred, and what was mistaken, each with why. */
export type Marked = { score: number; mistakes: { id?: string; says: string }[] };

/**
 * The seed of the engine of the day: the same for all, on whichever phone.
 *
 * @example seedOfDay('2026-11-27') === seedOfDay('2026-11-27') // true
 */
export function seedOfDay(day: string): number {
  return [...day].reduce((seed, letter) => (Math.imul(seed, 31) + letter.charCodeAt(0)) | 0, 7);
}

/* What may be set? */

/** A place is asked about only where no rocker is so near its limit that one may differ, degrees. */
const CLEAR = 5;

/**
 * A crank angle at which it is asked what may be set: at level 1 a cylinder stands at its top, at
 * level 2 the crank stands at a multiple of 30°, at level 3 anywhere.
 */
export function settableTask(sheet: EngineSheet, seed: number, level: Level): number {
  const random = new SeededRandom(seed);
  const cycle = cycleDegrees(sheet);
  const step = level === 1 ? cycle / sheet.firing.order.length : level === 2 ? 30 : 1;
  const places = Array.from({ length: Math.floor(cycle / step) }, (_, i) => Math.round(i * step));
  const clear = places.filter((at) => isClear(sheet, at));
  return random.one(clear.length > 0 ? clear : places);
}

function isClear(sheet: EngineSheet, at: number): boolean {
  const cycle = cycleDegrees(sheet);
  return adjustersOf(sheet).every((adjuster) => {
    const margin = marginAt(adjuster, at, cycle);
    if (margin === undefined || !('need' in adjuster.place)) return true;
    return Math.abs(margin - adjuster.place.need) >= CLEAR;
  });
}

/**
 * Marks which rockers were tapped as 'may be set here': each that was left out takes its share
 * away, each that stands on its lobe twice its share, for that one does harm.
 *
 * @example markSettable(six, 0, []).score // 0
 */
export function markSettable(
  sheet: EngineSheet,
  at: number,
  tapped: readonly string[],
): Marked & { right: string[] } {
  const cycle = cycleDegrees(sheet);
  const adjusters = adjustersOf(sheet);
  const may = adjusters.filter((adjuster) => holdsAt(adjuster, at, cycle));
  const right = may.filter(({ id }) => tapped.includes(id)).map(({ id }) => id);
  const mistakes = adjusters.flatMap((adjuster) => {
    const { id } = adjuster;
    const holds = may.includes(adjuster);
    if (holds === tapped.includes(id)) return [];
    const margin = Math.round(marginAt(adjuster, at, cycle) ?? 0);
    if (holds)
      return [{ id, says: `${adjusterName(id)} may be set: ${margin}° clear of its lobe.` }];
    const why = margin < 0 ? `${-margin}° on its lobe` : `only ${margin}° clear of its lobe`;
    return [{ id, says: `${adjusterName(id)} must not be set: ${why}.` }];
  });
  const wrong = mistakes.filter(({ id }) => tapped.includes(id)).length;
  const score = Math.max(
    0,
    Math.round((100 * (right.length - 2 * wrong)) / Math.max(1, may.length)),
  );
  return { score, mistakes, right };
}

/* Read it. */

/** What a gap is said to be; `open` where this set cannot tell. */
export const ANSWERS = ['tight', 'inside', 'loose', 'open'] as const;
export type ReadAnswer = (typeof ANSWERS)[number];

/**
 * A hidden gap, µm: at level 1 far from the limits, at level 2 within a blade of one, at level 3
 * where the set may leave it open.
 */
export function readTask(set: BladeSet, spec: Spec, seed: number, level: Level): number {
  const random = new SeededRandom(seed);
  const room = spec.high - spec.low;
  if (level === 1) {
    return random.one(
      [spec.low - room, spec.target, spec.high + room].map((gap) => Math.max(40, gap)),
    );
  }
  const limit = random.one([spec.low, spec.high]);
  if (level === 2) return limit + random.one([-1, 1]) * random.whole(8, 30);
  const blades = plainBlades(set);
  const below = blades.filter((blade) => blade < limit).pop() ?? limit - 30;
  const above = blades.find((blade) => blade > limit) ?? limit + 30;
  return random.whole(below + 1, above - 1);
}

/** What a blade does in a gap. */
export function tryBlade(gap: number, size: number): Trial {
  return { size, enters: size <= gap };
}

/** What the blades of a set tell of a gap at the most, and with how few. */
export function bestReading(
  set: BladeSet,
  spec: Spec,
  gap: number,
): { answer: ReadAnswer; tries: number } {
  const laid = layOutBlades(set, spec);
  let tried: Trial[] = [];
  for (;;) {
    const blade = bladeToTry(laid, spec, tried, 'leave-inside');
    if (!blade) break;
    tried = [...tried, tryBlade(gap, blade.size)];
  }
  const verdict = verdictOf(spec, readingFromTrials(tried));
  return { answer: verdict === 'unsure' ? 'open' : verdict, tries: Math.max(1, tried.length) };
}

/**
 * Marks an answer about a gap: right with no more blades than are needed is a hundred, each
 * further blade takes ten, a wrong answer all.
 */
export function markReading(
  set: BladeSet,
  spec: Spec,
  { gap, tries, answer }: { gap: number; tries: number; answer: ReadAnswer },
): Marked {
  const best = bestReading(set, spec, gap);
  const truth = `The gap is ${formatSetting('lash', gap)}, the limits are ${formatSetting('lash', spec.low)} to ${formatSetting('lash', spec.high)}.`;
  if (answer !== best.answer) {
    return { score: 0, mistakes: [{ says: `${truth} ${TOLD[best.answer]}` }] };
  }
  const more = Math.max(0, tries - best.tries);
  const says = `${more} more than the ${best.tries} that decide it: begin with the limits.`;
  return { score: Math.max(10, 100 - 10 * more), mistakes: more === 0 ? [] : [{ says }] };
}

const TOLD: Record<ReadAnswer, string> = {
  tight: 'It was tight: the lower limit does not enter.',
  inside: 'It was inside: the lower limit enters, the upper does not.',
  loose: 'It was loose: the upper limit enters.',
  open: 'This set cannot tell: a limit lies between its blades. Read it with a stack, or a finer set.',
};

/* Where is it? */

export type WhereTask = { engine: HiddenEngine; faults: Faults; crank: number };

/**
 * A hidden engine whose crank is to be found by its rockers: at level 1 all of them tell the
 * truth, at level 2 one is tight, at level 3 one is tight and one has slack.
 */
export function whereTask(sheet: EngineSheet, seed: number, level: Level): WhereTask {
  const random = new SeededRandom(seed);
  const rockers = sheet.firing.order.flatMap((cylinder) => firstRockers(sheet, cylinder));
  const [tight, slack] = random.shuffled(rockers.map(({ id }) => id));
  const faults: Faults = {
    ...(level >= 2 && tight !== undefined && { tight: [tight] }),
    ...(level >= 3 && slack !== undefined && { slack: [slack] }),
  };
  const crank = random.whole(0, cycleDegrees(sheet) - 1);
  return { crank, faults, engine: hiddenEngine(sheet, { seed, crank, faults }) };
}

/** What both rockers of a cylinder are felt to do. */
export function wiggle(sheet: EngineSheet, engine: HiddenEngine, cylinder: number): Observation[] {
  return firstRockers(sheet, cylinder).map(({ id }) => ({ id, state: engine.feel(id) }));
}

/** What is believed after these; the whole cycle where nothing is known. */
export function beliefAfter(sheet: EngineSheet, seen: readonly Observation[]): CrankBelief {
  const belief = crankBelief(
    sheet,
    seen.map((each) => ({ seen: each })),
  );
  return isRefused(belief) ? unknownCrank(sheet) : belief;
}

/** Whether what speaks for a place lies within one arc that a plan can go on from. */
function isFound(sheet: EngineSheet, { best }: Pick<CrankBelief, 'best'>): boolean {
  return best.length > 0 && spanOf(best, cycleDegrees(sheet)).length <= TOLD_WITHIN;
}

/**
 * The cylinders that the best policy wiggles until the place is found: always the most telling
 * one, and where rockers may lie, one more that agrees.
 */
export function bestWiggles(sheet: EngineSheet, { engine, faults }: WhereTask): number {
  const agree = faults.tight || faults.slack ? 2 : 1;
  const { order } = sheet.firing;
  let [seen, belief]: [Observation[], CrankBelief] = [[], unknownCrank(sheet)];
  let [count, found] = [0, 0];
  while (found < agree && count < order.length) {
    const next = belief.next ?? itemAt(order, count);
    seen = [...seen, ...wiggle(sheet, engine, next)];
    belief = beliefAfter(sheet, seen);
    found = isFound(sheet, belief) ? found + 1 : 0;
    count++;
  }
  return count;
}

/** Over so many places the best policy is tried. */
const PLACES = 12;

/** What the best policy needs on average over the engine’s cycle, at a level. */
export function meanWiggles(sheet: EngineSheet, level: Level): number {
  const counts = Array.from({ length: PLACES }, (_, i) =>
    bestWiggles(sheet, whereTask(sheet, 1000 + i, level)),
  );
  return counts.reduce((sum, count) => sum + count, 0) / PLACES;
}

/**
 * The cylinders that are enough at a task: what the best policy needs on average, and what it
 * needs at this very place where that is more, so that bad luck takes nothing away.
 */
export function enoughWiggles(sheet: EngineSheet, seed: number, level: Level): number {
  const here = bestWiggles(sheet, whereTask(sheet, seed, level));
  return Math.max(here, meanWiggles(sheet, level));
}

/**
 * Marks where somebody said that the crank stands: right is within half of what a plan needs to
 * go on from, a hundred with no more wiggles than are enough.
 */
export function markWhere(
  sheet: EngineSheet,
  {
    said,
    crank,
    wiggles,
    enough,
  }: { said: number; crank: number; wiggles: number; enough: number },
): Marked {
  const off = Math.round(apart(said, crank, cycleDegrees(sheet)));
  if (off > TOLD_WITHIN / 2) {
    const says = `It stood at ${crank}°, ${off}° from there.${off > 300 ? ' That is the other turn: a mark or a top does not tell which.' : ''}`;
    return { score: 0, mistakes: [{ says }] };
  }
  const score = Math.min(100, Math.round((100 * enough) / Math.max(1, wiggles)));
  const says = `${wiggles} cylinders were wiggled; of the most telling ones ${figure.format(enough)} are enough.`;
  return { score, mistakes: score === 100 ? [] : [{ says }] };
}

const figure = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });
