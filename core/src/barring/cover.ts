import { present } from '../present';
import { itemAt } from '../itemAt';
import { ANGLE_TOLERANCE, wrap } from '../engine/angle';
import type { Arc } from '../engine/arc';
import { compareInOrder } from './sites';

/** An arc of the circle and how far inside it a stop must stand, degrees. */
export type Condition = { arc: Arc; need: number };

export type CoverProblem = {
  conditions: readonly Condition[];
  /** Angles a stop may stand at. */
  candidates: readonly number[];
  cycle: number;
  /** Cylinder 1's firing TDC. */
  home: number;
  /** Where the crank stands, if known. */
  startAt?: number | undefined;
};

/** The stops' angles in visiting order, and which conditions any candidate meets at all. */
export type Cover = { angles: number[]; served: boolean[] };

/**
 * A condition as the run of candidates that meet it: places `low` to `high`, counted along
 * the circle from the angle the plan is reckoned from. `low` is in [0, count); `high` may
 * lie in the next lap.
 */
type Span = { low: number; high: number };

/** Finer than any difference of margins that counts. */
const MARGIN_STEP = 1e-7;

/**
 * The fewest stops that meet all conditions that can be met, in visiting order. Ties go to the
 * largest smallest margin, then the least turning, then the first stop nearest cylinder 1's
 * firing TDC (nearest ahead of `startAt` if given), then smaller turns read in order.
 *
 * Every condition is one arc, so stopping as late as the next arc allows is optimal once the
 * first stop is fixed: trying each first stop gives the count exactly, and bisection on the
 * margin, which only shortens the arcs, gives the margin.
 */
export function fewestStops(problem: CoverProblem): Cover {
  const { cycle, startAt, home } = problem;
  const circle = new Circle(problem.candidates, startAt ?? home, cycle);
  const served = problem.conditions.map((condition) => circle.spanOf(condition, 0) !== undefined);
  const conditions = distinct(problem.conditions.filter((_, i) => served[i]));
  if (conditions.length === 0) return { angles: [], served };
  const count = circle.leastCount(present(circle.spans(conditions, 0)));
  // A step less, or of two places as wide one is left out where the margin was rounded.
  const margin = largestMargin(circle, conditions, count) - MARGIN_STEP;
  const spans = present(circle.spans(conditions, margin));
  const binding = circle.withoutHolders(spans);
  const places =
    startAt === undefined ? circle.fromHome(binding, count) : circle.fromStart(binding, count);
  return { angles: places.map((place) => circle.angle(place)), served };
}

/** Several adjusters often share one condition; once is enough. */
function distinct(conditions: readonly Condition[]): Condition[] {
  const key = ({ arc, need }: Condition) => `${arc.from} ${arc.length} ${need}`;
  return [...new Map(conditions.map((condition) => [key(condition), condition])).values()];
}

/** The largest margin that `count` stops can give to all, to within MARGIN_STEP. */
function largestMargin(circle: Circle, conditions: readonly Condition[], count: number): number {
  let feasible = 0;
  let tooMuch = Math.max(...conditions.map(({ arc }) => arc.length / 2)) + 1;
  while (tooMuch - feasible > MARGIN_STEP) {
    const margin = (feasible + tooMuch) / 2;
    const spans = circle.spans(conditions, margin);
    if (spans && circle.leastCount(spans) <= count) feasible = margin;
    else tooMuch = margin;
  }
  return feasible;
}

/** The candidates along the circle, and the greedy cover over them. */
class Circle {
  private readonly ways: number[];
  private readonly count: number;

  constructor(
    candidates: readonly number[],
    private readonly origin: number,
    private readonly cycle: number,
  ) {
    this.ways = candidates.map((at) => wrap(at - origin, cycle)).sort((a, b) => a - b);
    this.count = this.ways.length;
    this.byWay = new Map(candidates.map((at) => [wrap(at - origin, cycle), at]));
  }

  private readonly byWay: ReadonlyMap<number, number>;

  /** The candidate's angle at a place of any lap. */
  angle(place: number): number {
    return present(this.byWay.get(itemAt(this.ways, place % this.count)));
  }

  /** The way from the origin to a place, laps counted on. */
  private way(place: number): number {
    const lap = Math.floor(place / this.count);
    return itemAt(this.ways, place - lap * this.count) + lap * this.cycle;
  }

  /** The first place whose way is at least `way`. */
  private firstFrom(way: number): number {
    const lap = Math.floor(way / this.cycle);
    const within = way - lap * this.cycle;
    // Candidates mostly stand evenly: the place is near its share of the circle.
    let place = Math.min(this.count, Math.floor((within * this.count) / this.cycle));
    while (place > 0 && itemAt(this.ways, place - 1) >= within) place--;
    while (place < this.count && itemAt(this.ways, place) < within) place++;
    return place + lap * this.count;
  }

  /** The conditions as spans with at least `margin` each; undefined where one has no place. */
  spans(conditions: readonly Condition[], margin: number): Span[] | undefined {
    const spans: Span[] = [];
    for (const condition of conditions) {
      const span = this.spanOf(condition, margin);
      if (!span) return undefined;
      spans.push(span);
    }
    return spans;
  }

  /** The places that meet a condition with at least `margin`; undefined where none does. */
  spanOf({ arc, need }: Condition, margin: number): Span | undefined {
    const inset = Math.max(need, margin) - ANGLE_TOLERANCE;
    const length = arc.length - 2 * inset;
    if (length < 0) return undefined;
    const from = wrap(arc.from + inset - this.origin, this.cycle);
    const low = this.firstFrom(from);
    // `length` carries twice the tolerance, so no candidate stands exactly at its end.
    const high = Math.min(this.firstFrom(from + length) - 1, low + this.count - 1);
    if (high < low) return undefined;
    const lap = low >= this.count ? this.count : 0;
    return { low: low - lap, high: high - lap };
  }

  /** Without the spans that hold another: whoever meets the inner one meets them too. */
  withoutHolders(spans: readonly Span[]): Span[] {
    const distinct = [...new Map(spans.map((span) => [`${span.low} ${span.high}`, span])).values()];
    const holds = (outer: Span, inner: Span, lap: number) =>
      outer.low <= inner.low + lap && inner.high + lap <= outer.high;
    return distinct.filter(
      (outer) =>
        !distinct.some(
          (inner) => inner !== outer && (holds(outer, inner, 0) || holds(outer, inner, this.count)),
        ),
    );
  }

  /** The least number of places that meet all spans: latest next stop from each first one. */
  leastCount(spans: readonly Span[]): number {
    const next = this.nextStops(spans);
    const shortest = spans.reduce((a, b) => (b.high - b.low < a.high - a.low ? b : a));
    let least = Infinity;
    for (let first = shortest.low; first <= shortest.high; first++) {
      least = Math.min(least, this.stopsFrom(first % this.count, next));
    }
    return least;
  }

  /** For each place, the last place by which the next stop must be made. */
  private nextStops(spans: readonly Span[]): Int32Array {
    const endOfSpanFrom = new Int32Array(2 * this.count).fill(0x3fffffff);
    for (const { low, high } of spans) {
      const again = low + this.count;
      endOfSpanFrom[low] = Math.min(itemAt(endOfSpanFrom, low), high);
      endOfSpanFrom[again] = Math.min(itemAt(endOfSpanFrom, again), high + this.count);
    }
    const next = new Int32Array(this.count);
    let least = 0x3fffffff;
    for (let place = 2 * this.count - 1; place >= 0; place--) {
      if (place < this.count) next[place] = least;
      least = Math.min(least, itemAt(endOfSpanFrom, place));
    }
    return next;
  }

  private stopsFrom(first: number, next: Int32Array): number {
    const lapEnd = first + this.count;
    let stops = 1;
    for (let place = first; ; stops++) {
      const lap = place >= this.count ? this.count : 0;
      place = itemAt(next, place - lap) + lap;
      if (place >= lapEnd) return stops;
    }
  }

  /** The best cover of `count` places when the crank stands at the origin. */
  fromStart(spans: readonly Span[], count: number): number[] {
    const score = (places: readonly number[]) => {
      const ways = places.map((place) => this.way(place));
      return [itemAt(ways, ways.length - 1), ...ways];
    };
    const covers = this.firstStops(spans, count).map((first) =>
      this.tightest(spans, count, first, first + 1, this.count - 1),
    );
    return smallest(covers, score);
  }

  /** The best cover of `count` places beginning at the one nearest the origin. */
  fromHome(spans: readonly Span[], count: number): number[] {
    const away = this.ways.map((way) => Math.min(way, this.cycle - way));
    const score = (places: readonly number[]) => {
      const first = itemAt(places, 0);
      const turned = places.map((place) => this.way(place) - this.way(first));
      return [itemAt(turned, turned.length - 1), itemAt(away, first), ...turned];
    };
    const covers = this.firstStops(spans, count).map((first) => {
      const way = itemAt(this.ways, first);
      const near = itemAt(away, first) - ANGLE_TOLERANCE;
      // The others stand no nearer to the origin than the first one does.
      return way <= this.cycle / 2
        ? this.tightest(spans, count, first, first + 1, this.lastUpTo(this.cycle - near))
        : this.tightest(
            spans,
            count,
            first,
            this.firstFrom(near) + this.count,
            first + this.count - 1,
          );
    });
    return smallest(covers, score);
  }

  /** The places from which `count` stops meet all spans. */
  private firstStops(spans: readonly Span[], count: number): number[] {
    const next = this.nextStops(spans);
    return [...this.ways.keys()].filter((first) => this.stopsFrom(first, next) <= count);
  }

  private lastUpTo(way: number): number {
    return this.firstFrom(Math.min(way, this.cycle - ANGLE_TOLERANCE)) - 1;
  }

  /**
   * The cover with its first stop at `first` and the others in [from, to] that ends soonest
   * and has every stop as early as that allows; undefined where there is none. Found from
   * the end: the last stop is where the last span begins, the one before where the last
   * span begins that the last stop does not meet, and so on.
   */
  private tightest(
    spans: readonly Span[],
    count: number,
    first: number,
    from: number,
    to: number,
  ): number[] | undefined {
    const open: Span[] = [];
    for (const span of spans) {
      const lap = span.low <= first ? this.count : 0;
      if (span.high + lap >= first + this.count) continue;
      const low = Math.max(span.low + lap, from);
      const high = Math.min(span.high + lap, to);
      if (low > high) return undefined;
      open.push({ low, high });
    }
    const places: number[] = [];
    for (let reached = Infinity; ;) {
      let last = -1;
      for (const { low, high } of open) if (high < reached && low > last) last = low;
      if (last < 0) break;
      if (places.length === count - 1) return undefined;
      places.unshift(last);
      reached = last;
    }
    return [first, ...places];
  }
}

/** The cover of the smallest score, read in order; the earliest of equals. */
function smallest(
  covers: readonly (number[] | undefined)[],
  score: (places: readonly number[]) => number[],
): number[] {
  let best: { places: number[]; score: number[] } | undefined;
  for (const places of covers) {
    if (!places) continue;
    const own = score(places);
    if (!best || compareInOrder(own, best.score) < 0) best = { places, score: own };
  }
  if (!best) throw new RangeError('No cover of that count exists.');
  return best.places;
}
