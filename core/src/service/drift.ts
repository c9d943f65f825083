import { present } from '../present';
import { itemAt } from '../itemAt';
import type { AdjusterKind } from '../engine/kinds';
import { readId } from '../engine/kinds';
import type { EngineSheet, Spec } from '../engine/sheet';
import type { Reading } from '../gauging/reading';
import { middleOf } from '../gauging/reading';
import { SeededRandom } from '../seededRandom';
import { median, quantile } from '../statistics';

/** A gap: a reading, or its middle in µm. */
type Gap = number | Pick<Reading, 'go' | 'noGo'>;

/** One adjuster's past: per job the engine hours, as found and as left. */
export type DriftHistory = {
  id: string;
  /** `disturbed`: reset or taken apart since the job before, so that drift starts anew. */
  jobs: readonly { hours: number; found: Gap; left: Gap; disturbed?: boolean }[];
};

export type DriftOptions = { everyHours: number; seed: number; draws: number };

/** The figures of each kind of adjuster, as `forecastDrift` takes them. */
export function specsByKind({ adjusters }: EngineSheet): Partial<Record<AdjusterKind, Spec>> {
  return Object.fromEntries(adjusters.flatMap(({ kind, spec }) => (spec ? [[kind, spec]] : [])));
}

/** How an engine is forecast wherever it is: the band no longer moves by more than a few hours. */
export function driftOptions({ service }: EngineSheet): DriftOptions {
  return { everyHours: service?.everyHours ?? Infinity, seed: 1, draws: 1000 };
}

export type AdjusterDrift = {
  id: string;
  /** µm per 1,000 h, positive where the gap opens; null where nothing of its kind is known. */
  rate: number | null;
  /** Its own intervals between two jobs. */
  intervals: number;
  /** Hours since the last job at which it leaves its limits; `Infinity` is not in sight. */
  leaves: { p10: number; p50: number; p90: number } | null;
};

export type DriftForecast = {
  adjusters: AdjusterDrift[];
  /** When to look next, hours since the last job, and which adjuster asks for it, if one does. */
  recheckAt: { hours: number; id: string | null };
};

/** A kind with fewer intervals than this is not forecast. */
const FEWEST_INTERVALS = 3;
/** Its own median weighs k/(k + 3), the rest is the median of its kind. */
const OWN_WEIGHT = 3;

/** How much of a residual, over the root of what the rate rests on, each draw adds. */
const RESIDUAL = 0.4;

/** Drift over one interval: µm per 1,000 h, and the hours it rests on. */
type Interval = { rate: number; hours: number };

/**
 * How every adjuster drifts, and when it leaves its limits. Drift between two jobs is found
 * (now) − left (then) over the hours between. The rate is the own median drawn towards the
 * median of its kind; the band draws the own and the kind's intervals anew (`seed`, `draws`)
 * and adds a residual of the kind each time. `recheckAt` is the smaller of the maker's
 * interval and the earliest p10.
 */
export function forecastDrift(
  histories: readonly DriftHistory[],
  specByKind: Partial<Record<AdjusterKind, Spec>>,
  { everyHours, seed, draws }: DriftOptions,
): DriftForecast {
  const specs: Partial<Record<string, Spec>> = specByKind;
  const kinds = new Map<string, Kind>();
  for (const history of histories) {
    // Each kind draws from its own beginning: alone or with others, it is forecast the same.
    const kind: Kind = kinds.get(kindOf(history)) ?? {
      own: new Map<string, Interval[]>(),
      all: [],
      chance: new SeededRandom(seed),
    };
    kinds.set(kindOf(history), kind);
    const intervals = intervalsOf(history);
    kind.own.set(history.id, intervals);
    kind.all.push(...intervals);
  }
  const adjusters = histories.map((history): AdjusterDrift => {
    const kind = present(kinds.get(kindOf(history)));
    const own = kind.own.get(history.id) ?? [];
    const spec = specs[kindOf(history)];
    const from = lastLeft(history);
    const rate =
      kind.all.length === 0
        ? null
        : drawnTogether(own.length, median(rates(own)), median(rates(kind.all)));
    const known = kind.all.length >= FEWEST_INTERVALS && spec && from !== undefined;
    const leaves = known ? bandOf({ own, kind, spec, from, draws }) : null;
    return { id: history.id, rate, intervals: own.length, leaves };
  });
  return { adjusters, recheckAt: earliest(adjusters, everyHours) };
}

type Kind = { own: Map<string, Interval[]>; all: Interval[]; chance: SeededRandom };

function kindOf({ id }: DriftHistory): string {
  return readId(id).kind;
}

function intervalsOf({ jobs }: DriftHistory): Interval[] {
  const inOrder = [...jobs].sort((a, b) => a.hours - b.hours);
  return inOrder.slice(1).flatMap((now, i) => {
    const then = itemAt(inOrder, i);
    const [found, left] = [middleOf(now.found), middleOf(then.left)];
    const hours = now.hours - then.hours;
    if (now.disturbed || found === undefined || left === undefined || hours <= 0) return [];
    return [{ rate: ((found - left) * 1000) / hours, hours }];
  });
}

function lastLeft({ jobs }: DriftHistory): number | undefined {
  const last = [...jobs].sort((a, b) => b.hours - a.hours)[0];
  return last && middleOf(last.left);
}

const rates = (intervals: readonly Interval[]) => intervals.map(({ rate }) => rate);

/** The own median of so many intervals, drawn towards that of its kind the more the fewer. */
function drawnTogether(intervals: number, own: number, kind: number): number {
  const weight = intervals / (intervals + OWN_WEIGHT);
  return (intervals > 0 ? weight * own : 0) + (1 - weight) * kind;
}

/** From so many figures on, which of them is the middle one of a drawing is all but normal. */
const MANY = 30;

/**
 * The median of figures drawn anew from these, which are in order. Of many it is told without
 * drawing each: the middle of n even draws from 0 to 1 has the mean 1/2 and the variance
 * 1/(4(n + 2)).
 */
function drawnMedian(ordered: Float64Array, chance: SeededRandom): number {
  const n = ordered.length;
  if (n < MANY) return median(Float64Array.from({ length: n }, () => chance.one(ordered)));
  const place = 0.5 + chance.normal() / (2 * Math.sqrt(n + 2));
  return itemAt(ordered, Math.min(n - 1, Math.max(0, Math.floor(place * n))));
}

type BandProps = {
  own: readonly Interval[];
  kind: Kind;
  spec: Spec;
  from: number;
  draws: number;
};

/** When it passes a limit, over so many drawn lines: the 10, 50 and 90 % points. */
function bandOf({ own, kind, spec, from, draws }: BandProps): AdjusterDrift['leaves'] {
  const { chance } = kind;
  const kindMedian = median(rates(kind.all));
  const residuals = [...kind.own.values()].flatMap((intervals) => {
    const middle = drawnTogether(intervals.length, median(rates(intervals)), kindMedian);
    return intervals.map(({ rate }) => rate - middle);
  });
  const inOrder = (all: Parameters<typeof rates>[0]) => Float64Array.from(rates(all)).sort();
  const [ordered, kindOrdered] = [inOrder(own), inOrder(kind.all)];
  const share = RESIDUAL / Math.sqrt(own.length + OWN_WEIGHT);
  const hours = Array.from({ length: draws }, () => {
    const middles = [drawnMedian(ordered, chance), drawnMedian(kindOrdered, chance)] as const;
    // A median of few intervals varies less when drawn anew than it is uncertain.
    const rate = drawnTogether(own.length, ...middles) + chance.one(residuals) * share;
    return leavesAt(from, rate, spec);
  });
  hours.sort((a, b) => a - b);
  return { p10: at(hours, 0.1), p50: at(hours, 0.5), p90: at(hours, 0.9) };
}

/** Between two hours by a straight line; between an hour and never, never. */
function at(hours: readonly number[], q: number): number {
  const above = hours[Math.ceil((hours.length - 1) * q)] ?? Infinity;
  return Number.isFinite(above) ? quantile(hours, q) : Infinity;
}

/** The hours until a gap that changes by `rate` µm per 1,000 h passes a limit. */
function leavesAt(from: number, rate: number, { low, high }: Spec): number {
  if (from < low || from > high) return 0;
  if (rate === 0) return Infinity;
  return (1000 * ((rate < 0 ? low : high) - from)) / rate;
}

function earliest(
  adjusters: readonly AdjusterDrift[],
  everyHours: number,
): DriftForecast['recheckAt'] {
  let first: DriftForecast['recheckAt'] = { hours: everyHours, id: null };
  for (const { id, leaves } of adjusters) {
    if (leaves && leaves.p10 < first.hours) first = { hours: leaves.p10, id };
  }
  return first;
}
