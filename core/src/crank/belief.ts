import type { Adjuster } from '../engine/adjusters';
import { wrap } from '../engine/angle';
import { firingOf } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import type { Stretch } from './doubts';
import { Doubts } from './doubts';
import { evidenceOf, fitsNow } from './evidence';
import { mostTelling, rockerEdges } from './mostTelling';
import type { CrankHistory, HeldObservation, Observation } from './observation';
import { heldObservations } from './observation';
import type { Result } from '../result';
import { isRefused } from '../result';

/** Whole degrees `from` to `to`, both inside; through 0 where `from > to`. */
export type CrankArc = { from: number; to: number };

/** Where the crank can be, and what speaks against it. */
export type CrankBelief = {
  /** The degrees that the fewest rockers speak against. */
  best: CrankArc[];
  /** All degrees that one more mistaken rocker, or both of one cylinder, would leave. */
  plausible: CrankArc[];
  /** The adjusters that speak against every best degree: tight, slack or misread. */
  odd: string[];
  /** Whether the plausible degrees lie within one arc of at most 90°. */
  told: boolean;
  /** The cylinder to wiggle next; absent when none would leave fewer degrees. */
  next?: number;
  /** What cannot all be true: to be looked at again, else the turn before them is unknown. */
  clash?: Observation[];
};

/** The widest arc from which the way to a stop is told, degrees from first to last. */
export const TOLD_WITHIN = 90;

/**
 * Where the crank is: the set of whole degrees that all that was seen, felt and turned leaves,
 * worked out anew from the whole history. Neither one mistaken rocker nor both rockers of one
 * cylinder changes the answer. Takes the sheet as it stands in the file; angles in crank
 * degrees. Refused where something was seen that this engine cannot show.
 *
 * `crankBelief(sheet, [{ seen: { mark: 'I', state: 'at' } }, { turned: { by: 120 } }])`
 *
 * @example crankBelief(six, [{ seen: { mark: 'I', state: 'at' } }]).told // false
 */
export function crankBelief(sheet: EngineSheet, history: CrankHistory): Result<CrankBelief> {
  const { cycle } = firingOf(sheet);
  const held: Held[] = [];
  for (const observation of heldObservations(history, cycle)) {
    const evidence = evidenceOf(sheet, observation.seen);
    if (isRefused(evidence)) return evidence;
    held.push({ ...observation, rocker: evidence.rocker, fits: fitsNow(evidence, observation) });
  }
  const against = new Uint16Array(cycle);
  for (const { rocker, fits } of held) {
    if (rocker) continue;
    for (let i = 0; i < cycle; i++) if (fits[i] === 0) against[i] = (against[i] ?? 0) + 1;
  }
  const open = stretchesOf(against, held, rockerEdges(sheet));
  if (open.length === 0) return clashOf(held, against);
  const doubts = new Doubts(cycle, open);
  for (const { rocker, fits, now } of held) if (rocker) doubts.add(rocker, fits, now);
  return beliefFrom(sheet, doubts);
}

/** What is believed of a crank of which nothing was seen. */
export function unknownCrank(sheet: EngineSheet): CrankBelief {
  const { cycle } = firingOf(sheet);
  const open = stretchesOf(new Uint16Array(cycle), [], rockerEdges(sheet));
  return beliefFrom(sheet, new Doubts(cycle, open));
}

/** The degrees that nothing is hard against, those that nothing tells apart joined. */
function stretchesOf(against: Uint16Array, held: readonly Held[], edges: Uint8Array): Stretch[] {
  const begins = edges.slice();
  for (const { fits } of held) {
    for (let i = 1; i < fits.length; i++) if (fits[i] !== fits[i - 1]) begins[i] = 1;
  }
  const stretches: Stretch[] = [];
  let last: Stretch | undefined;
  against.forEach((count, degree) => {
    if (count > 0) last = undefined;
    else if (last && begins[degree] === 0) last.degrees++;
    else stretches.push((last = { from: degree, degrees: 1 }));
  });
  return stretches;
}

/** An observation that counts, with the degrees that it fits now. */
type Held = HeldObservation & { rocker: Adjuster | undefined; fits: Uint8Array };

function beliefFrom(sheet: EngineSheet, doubts: Doubts): CrankBelief {
  const { cycle } = doubts;
  const degrees = doubts.plausible();
  const plausible = arcsOf(degrees, cycle);
  const told = spanOf(plausible, cycle).length <= TOLD_WITHIN;
  const next = told ? undefined : mostTelling(sheet, degrees, doubts.narrowed());
  return {
    best: arcsOf(doubts.best(), cycle),
    plausible,
    odd: doubts.odd(sheet),
    told,
    ...(next !== undefined && { next }),
  };
}

/** Nothing fits: the observations that are hard against the degrees with the fewest such. */
function clashOf(held: readonly Held[], against: Uint16Array): CrankBelief {
  const least = against.reduce((a, b) => Math.min(a, b));
  const clash = held.filter(
    ({ rocker, fits }) =>
      !rocker && against.some((count, degree) => count === least && fits[degree] === 0),
  );
  return {
    best: [],
    plausible: [],
    odd: [],
    told: false,
    clash: clash.map(({ seen }) => seen),
  };
}

/** Neighbouring degrees joined, through 0 as well; `degrees` in rising order. */
function arcsOf(degrees: readonly number[], cycle: number): CrankArc[] {
  const arcs: CrankArc[] = [];
  for (const degree of degrees) {
    const last = arcs[arcs.length - 1];
    if (last && last.to === degree - 1) last.to = degree;
    else arcs.push({ from: degree, to: degree });
  }
  const [first, last] = [arcs[0], arcs[arcs.length - 1]];
  if (first && last && first !== last && first.from === 0 && last.to === cycle - 1) {
    last.to = first.to;
    arcs.shift();
  }
  return arcs;
}

/** The shortest arc that holds all of these: where it begins and how long it is, degrees. */
export function spanOf(
  arcs: readonly CrankArc[],
  cycle: number,
): { from: number; to: number; length: number } {
  let best = { from: 0, to: cycle - 1, length: arcs.length === 0 ? Infinity : cycle - 1 };
  for (const { from } of arcs) {
    let length = 0;
    for (const arc of arcs) {
      const [start, end] = [wrap(arc.from - from, cycle), wrap(arc.to - from, cycle)];
      // An arc that holds `from` itself in its middle closes the circle.
      length = Math.max(length, end < start ? cycle - 1 : end);
    }
    if (length < best.length) best = { from, to: wrap(from + length, cycle), length };
  }
  return best;
}

/** Every whole degree of these arcs. */
export function degreesOf(arcs: readonly CrankArc[], cycle: number): number[] {
  return arcs.flatMap(({ from, to }) =>
    Array.from({ length: wrap(to - from, cycle) + 1 }, (_, i) => (from + i) % cycle),
  );
}
