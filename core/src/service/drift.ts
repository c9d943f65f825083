import { itemAt } from '../itemAt';
import type { AdjusterKind } from '../engine/kinds';
import { KIND_NAMES, readId } from '../engine/kinds';
import type { EngineSheet, Spec } from '../engine/sheet';
import type { Shop } from '../wire/shop';
import type { Rates } from '../gauging/rates';
import type { Reading } from '../gauging/reading';
import { middleOf } from '../gauging/reading';
import { SeededRandom } from '../seededRandom';
import { median, quantile, inTenths } from '../statistics';
import type { Interval } from './driftDraws';
import { RateDraws } from './driftDraws';

/** A gap: a reading, or its middle in µm. */
type Gap = number | Pick<Reading, 'go' | 'noGo'>;

/**
 * What one check found and left of an adjuster; `disturbed` where drift starts anew with it, and
 * `notRead` where the meter was not read then: its hours are those of the check before.
 */
export type PastJob = {
  hours: number;
  found: Gap;
  left: Gap;
  disturbed?: boolean;
  notRead?: boolean;
};

/** One adjuster's past: per job the engine hours, as found and as left. */
export type DriftHistory = {
  id: string;
  /** `disturbed`: reset or taken apart since the job before, so that drift starts anew. */
  jobs: readonly PastJob[];
};

export type DriftOptions = {
  everyHours: number;
  seed: number;
  draws: number;
  /** The chance of any adjuster outside its limits at which it is looked at; 0.1 unless given. */
  risk?: number | undefined;
};

/** The figures of each kind of adjuster, as `forecastDrift` takes them. */
export function specsByKind({ adjusters }: EngineSheet): Partial<Record<AdjusterKind, Spec>> {
  return Object.fromEntries(adjusters.flatMap(({ kind, spec }) => (spec ? [[kind, spec]] : [])));
}

/**
 * How an engine is forecast wherever it is: the band no longer moves by more than a few hours.
 * The risk is the shop's, which says it in per cent.
 */
export function driftOptions(
  { service }: Pick<EngineSheet, 'service'>,
  { driftRisk = USUAL_RISK }: Pick<Shop, 'driftRisk'>,
): DriftOptions {
  return {
    everyHours: service?.everyHours ?? Infinity,
    seed: 1,
    draws: 1000,
    risk: driftRisk / 100,
  };
}

export type AdjusterDrift = {
  id: string;
  /** µm per 1,000 h, positive where the gap opens; null where nothing of its kind is known. */
  rate: number | null;
  /** The middle 80 % of the rates that were drawn for it; null where none were. */
  band: { low: number; high: number } | null;
  /** Its own intervals between two jobs. */
  intervals: number;
  /** Hours since the last job at which it leaves its limits; `Infinity` is not in sight. */
  leaves: { p10: number; p50: number; p90: number } | null;
};

export type DriftForecast = {
  adjusters: AdjusterDrift[];
  /**
   * When to look next, hours since the last job: the maker's interval, or the hours at which the
   * chance that any adjuster has left its limits reaches the risk; then `id` is the one that
   * leaves first most often.
   */
  recheckAt: { hours: number; id: string | null };
};

/** A kind with fewer intervals than this is not forecast. */
const FEWEST_INTERVALS = 3;
/** Its own median weighs k/(k + 3), the rest is the median of its kind. */
const OWN_WEIGHT = 3;
/** The chance at which an engine is looked at unless the shop says otherwise, per cent. */
export const USUAL_RISK = 10;

/**
 * How every adjuster drifts, when it leaves its limits, and when the engine is to be looked at.
 * Drift between two jobs is found (now) − left (then) over the hours between. The rate told is
 * the own median drawn towards the median of its kind. The band, and when any adjuster has left,
 * come from lines drawn for the whole engine together (`seed`, `draws`): rates as `RateDraws`
 * has them, each from a gap inside the reading it was left at. `recheckAt` is the smaller of the
 * maker's interval and the hours at which the share of draws with any adjuster out reaches `risk`.
 *
 * @example forecastDrift([], {}, { everyHours: 600, seed: 1, draws: 10 }).recheckAt // { hours: 600, id: null }
 */
export function forecastDrift(
  histories: readonly DriftHistory[],
  specByKind: Partial<Record<AdjusterKind, Spec>>,
  { everyHours, seed, draws, risk = USUAL_RISK / 100 }: DriftOptions,
): DriftForecast {
  const kinds = [...new Set(histories.map(kindOf))].map((kind): Kind => {
    const own = histories.filter((history) => kindOf(history) === kind);
    return { kind, own, intervals: own.map(intervalsOf), spec: specByKind[kind] };
  });
  const drawn = new Map(kinds.flatMap((kind) => linesOf(kind, chanceOf(kind, seed), draws)));
  const told = new Map(kinds.flatMap(ratesTold));
  const adjusters = histories.map(({ id }): AdjusterDrift => {
    const { rate = null, intervals = 0 } = told.get(id) ?? {};
    const line = drawn.get(id);
    const band = line ? bandOf(line.rates) : null;
    return { id, rate, intervals, band, leaves: line?.hours ? leavesOf(line.hours) : null };
  });
  const first = firstToLeave([...drawn], draws, risk);
  return {
    adjusters,
    recheckAt: first.hours < everyHours ? first : { hours: everyHours, id: null },
  };
}

/**
 * The rate that is shown and aimed by, µm per 1,000 h: the one told, held inside the band that is
 * drawn. Of few intervals the rate that is told lies near that of its kind: whoever sets by it would
 * be promised too many hours, and beside the hours at which it leaves it would not add up.
 *
 * @example rateToGoBy({ rate: -35, band: { low: -74, high: -64 } }) // -64
 */
export function rateToGoBy({ rate, band }: Pick<AdjusterDrift, 'rate' | 'band'>): number | null {
  return rate === null || !band ? rate : Math.min(Math.max(rate, band.low), band.high);
}

/**
 * The rates that a job aims by, in tenths, each with its band.
 *
 * @example ratesToAimBy([{ id: 'intake.1', rate: -35, band: { low: -74, high: -64 }, intervals: 3, leaves: null }])
 *   // { 'intake.1': { rate: -64, low: -74, high: -64 } }
 */
export function ratesToAimBy(adjusters: readonly AdjusterDrift[]): Rates {
  return Object.fromEntries(
    adjusters.flatMap(({ id, rate, band }) => {
      const held = rateToGoBy({ rate, band });
      if (held === null || !band) return [];
      return [[id, { rate: inTenths(held), low: inTenths(band.low), high: inTenths(band.high) }]];
    }),
  );
}

/**
 * Each kind draws from a beginning of its own: alone or with others its band is the same, and no
 * two kinds are lucky together.
 */
function chanceOf({ kind }: Kind, seed: number): SeededRandom {
  return new SeededRandom(Math.imul(seed + 1, 0x9e3779b1) + KIND_NAMES.indexOf(kind));
}

/** The adjusters of one kind, each with its intervals. */
type Kind = {
  kind: AdjusterKind;
  own: readonly DriftHistory[];
  intervals: readonly Interval[][];
  spec: Spec | undefined;
};

function kindOf({ id }: DriftHistory): AdjusterKind {
  return readId(id).kind;
}

/** Earliest first; those of the same hours as they came. */
function byHours(jobs: DriftHistory['jobs']): PastJob[] {
  return [...jobs].sort((a, b) => a.hours - b.hours);
}

function intervalsOf({ jobs }: DriftHistory): Interval[] {
  const inOrder = byHours(jobs);
  return inOrder.slice(1).flatMap((now, i) => {
    const then = itemAt(inOrder, i);
    const [found, left] = [middleOf(now.found), middleOf(then.left)];
    const hours = now.hours - then.hours;
    if (now.disturbed || found === undefined || left === undefined || hours <= 0) return [];
    return [{ change: found - left, span: hours / 1000 }];
  });
}

/** The rate that is told of each adjuster, and on how many intervals of its own it rests. */
function ratesTold({ own, intervals }: Kind) {
  const rates = intervals.map((each) => each.map(({ change, span }) => change / span));
  const all = rates.flat();
  return own.map(({ id }, i): [string, Pick<AdjusterDrift, 'rate' | 'intervals'>] => {
    const mine = itemAt(rates, i);
    const weight = mine.length / (mine.length + OWN_WEIGHT);
    const rate = (mine.length > 0 ? weight * median(mine) : 0) + (1 - weight) * median(all);
    return [id, { rate: all.length === 0 ? null : rate, intervals: mine.length }];
  });
}

/**
 * The rates of an adjuster and the hours at which it leaves its limits, by draw; no hours where
 * nobody knows what it was left at.
 */
type Line = { rates: Float64Array; hours?: Float64Array };

/** So many lines for each adjuster of a kind that is known well enough. */
function linesOf(
  { own, intervals, spec }: Kind,
  chance: SeededRandom,
  draws: number,
): [string, Line][] {
  const known = intervals.reduce((sum, each) => sum + each.length, 0);
  if (known < FEWEST_INTERVALS || !spec) return [];
  const rates = new RateDraws(withoutLeaps(intervals, spec), chance);
  const lefts = own.map(lastLeft);
  const lines = lefts.map((left): Line => ({
    rates: new Float64Array(draws),
    ...(left && { hours: new Float64Array(draws) }),
  }));
  for (let draw = 0; draw < draws; draw++) {
    rates.next().forEach((rate, i) => {
      const line = itemAt(lines, i);
      const left = lefts[i];
      line.rates[draw] = rate;
      if (left && line.hours) line.hours[draw] = leavesAt(within(left, spec, chance), rate, spec);
    });
  }
  return own.map(({ id }, i) => [id, itemAt(lines, i)]);
}

/**
 * The intervals without those in which one adjuster leapt away from its own others by more than
 * its limits lie apart: a locknut that slipped or a swap, which is found and mended. One that
 * drifts fast does so every time, and stays.
 */
function withoutLeaps(intervals: Kind['intervals'], { low, high }: Spec): Interval[][] {
  return intervals.map((own) => {
    if (own.length < FEWEST_INTERVALS) return own;
    const middle = median(own.map(({ change, span }) => change / span));
    return own.filter(({ change, span }) => Math.abs(change - middle * span) <= high - low);
  });
}

/** What an adjuster was left at last: both ends of its reading; undefined where it has but one. */
function lastLeft({ jobs }: DriftHistory): { go: number; noGo: number } | undefined {
  const left = byHours(jobs).at(-1)?.left;
  if (left === undefined) return undefined;
  if (typeof left === 'number') return { go: left, noGo: left };
  return left.noGo === null ? undefined : { go: left.go, noGo: left.noGo };
}

/** A gap inside its reading, and inside its limits where the reading reaches beyond them. */
function within(
  { go, noGo }: { go: number; noGo: number },
  { low, high }: Spec,
  chance: SeededRandom,
): number {
  if (go === noGo) return go;
  const [from, to] = [Math.max(go, low), Math.min(noGo, high)];
  return from < to ? from + (to - from) * chance.next() : (go + noGo) / 2;
}

function bandOf(rates: Float64Array): AdjusterDrift['band'] {
  // A typed array sorts several times as fast as a list.
  const inOrder = rates.slice().sort();
  return { low: quantile(inOrder, 0.1), high: quantile(inOrder, 0.9) };
}

/** The 10, 50 and 90 % points of when one leaves. */
function leavesOf(hours: Float64Array): AdjusterDrift['leaves'] {
  const inOrder = hours.slice().sort();
  return { p10: at(inOrder, 0.1), p50: at(inOrder, 0.5), p90: at(inOrder, 0.9) };
}

/** Between two hours by a straight line; between an hour and never, never. */
function at(hours: Float64Array, q: number): number {
  const above = hours[Math.ceil((hours.length - 1) * q)] ?? Infinity;
  return Number.isFinite(above) ? quantile(hours, q) : Infinity;
}

/** The hours until a gap that changes by `rate` µm per 1,000 h passes a limit. */
function leavesAt(from: number, rate: number, { low, high }: Spec): number {
  if (from < low || from > high) return 0;
  if (rate === 0) return Infinity;
  return (1000 * ((rate < 0 ? low : high) - from)) / rate;
}

/** The hours at which any adjuster has left in so many of the draws, and which one did most. */
function firstToLeave(
  lines: readonly (readonly [string, Line])[],
  draws: number,
  risk: number,
): DriftForecast['recheckAt'] {
  const firsts = new Float64Array(draws).fill(Infinity);
  const whose = new Int32Array(draws).fill(-1);
  lines.forEach(([, { hours }], line) =>
    hours?.forEach((left, draw) => {
      if (left >= (firsts[draw] ?? 0)) return;
      firsts[draw] = left;
      whose[draw] = line;
    }),
  );
  const reached = Math.max(1, Math.ceil(risk * draws));
  const hours = firsts.slice().sort()[reached - 1] ?? Infinity;
  if (!Number.isFinite(hours)) return { hours, id: null };
  const counts = lines.map(() => 0);
  whose.forEach((line, draw) => {
    if ((firsts[draw] ?? Infinity) <= hours) counts[line] = (counts[line] ?? 0) + 1;
  });
  const most = counts.indexOf(Math.max(...counts));
  return { hours, id: lines[most]?.[0] ?? null };
}
