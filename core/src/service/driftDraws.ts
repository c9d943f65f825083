import { itemAt } from '../itemAt';
import type { SeededRandom } from '../seededRandom';

/** Drift over one interval: the change in µm, and the thousands of hours it took. */
export type Interval = { change: number; span: number };

/**
 * Valves of one kind on one engine differ by about this share of what they wear on average: what
 * is taken for likely before the figures say otherwise, and how firmly (the deviation of its
 * logarithm).
 */
const DIFFER = { share: 0.18, within: 0.5 };
/**
 * The differences that are weighed against the figures, in steps of that deviation: so many times
 * the usual one, and how likely by itself (a logarithm).
 */
const STEPS = Array.from({ length: 13 }, (_, i) => {
  const step = (i - 6) * 0.4;
  return { times: Math.exp(2 * DIFFER.within * step), likely: -(step ** 2) / 2 };
});

/** One adjuster's own slope through its intervals; its weight is nought where it has none. */
type Slope = { rate: number; weight: number };

/** What the intervals of one kind tell of its rates. */
type Evidence = {
  slopes: Slope[];
  /** The squares left over of all intervals, and how many of them are free. */
  left: number;
  free: number;
  /** The mean slope, the squares about it, and the mean of one over the weights. */
  mean: number;
  about: number;
  known: number;
  inverse: number;
};

/**
 * Rates of all adjusters of one kind, drawn together: how far single intervals scatter, how much
 * the valves of this engine differ, what they wear on average, and each one's own, given the
 * intervals. Reading errors lie in the scatter of the intervals. What is drawn scales with the
 * figures, whatever their unit.
 */
export class RateDraws {
  private readonly evidence: Evidence;

  constructor(
    intervals: readonly (readonly Interval[])[],
    private readonly chance: SeededRandom,
  ) {
    this.evidence = evidenceOf(intervals);
  }

  /** One draw: µm per 1,000 h for each adjuster, in their order. */
  next(): number[] {
    const { chance, evidence } = this;
    const { slopes, known } = evidence;
    const scatter = this.scatter();
    const differ = this.differ(scatter);
    const spreadOf = ({ weight }: Slope) => differ + scatter / weight;
    let [sum, weights] = [0, 0];
    for (const slope of slopes) {
      if (slope.weight === 0) continue;
      const spread = spreadOf(slope);
      // Where nothing scatters every slope is as good as any other.
      const weight = spread === 0 ? 1 : 1 / spread;
      sum += weight * slope.rate;
      weights += weight;
    }
    const certain = differ === 0 && scatter === 0;
    const mean = sum / weights + (certain ? 0 : chance.normal() / Math.sqrt(weights));
    return slopes.map((slope) => {
      if (slope.weight === 0 || known === 0) return mean + chance.normal() * Math.sqrt(differ);
      const error = scatter / slope.weight;
      const own = error === 0 ? 1 : differ / (differ + error);
      return own * slope.rate + (1 - own) * mean + chance.normal() * Math.sqrt(own * error);
    });
  }

  /** The variance of a change about its own slope, drawn; of single intervals that of the kind. */
  private scatter(): number {
    const { left, free, about, known, inverse } = this.evidence;
    if (free > 0) return left / chiSquared(free, this.chance);
    return about / inverse / chiSquared(known - 1, this.chance) / 2;
  }

  /** The variance between the rates of the kind, drawn from what is likely and what is seen. */
  private differ(scatter: number): number {
    const { mean, about, known, inverse } = this.evidence;
    const noise = scatter * inverse;
    const seen = known > 1 ? Math.max(0, about / (known - 1) - noise) : 0;
    const usual = DIFFER.share ** 2 * (mean ** 2 + seen);
    if (usual === 0) return 0;
    const likely = STEPS.map(({ times, likely: byItself }) => {
      const all = usual * times + noise;
      return byItself - ((known - 1) * Math.log(all)) / 2 - about / (2 * all);
    });
    const most = Math.max(...likely);
    const weights = likely.map((each) => Math.exp(each - most));
    let drawn = this.chance.next() * weights.reduce((sum, each) => sum + each, 0);
    const place = weights.findIndex((weight) => (drawn -= weight) <= 0);
    return usual * itemAt(STEPS, place < 0 ? STEPS.length - 1 : place).times;
  }
}

function evidenceOf(intervals: readonly (readonly Interval[])[]): Evidence {
  let [left, free] = [0, 0];
  const slopes = intervals.map((own): Slope => {
    let [xy, xx, yy] = [0, 0, 0];
    for (const { change, span } of own) {
      xy += span * change;
      xx += span * span;
      yy += change * change;
    }
    if (xx === 0) return { rate: 0, weight: 0 };
    const rest = yy - (xy * xy) / xx;
    left += rest > yy * ROUNDING ? rest : 0;
    free += own.length - 1;
    return { rate: xy / xx, weight: xx };
  });
  const known = slopes.filter(({ weight }) => weight > 0);
  const mean = known.reduce((sum, { rate }) => sum + rate, 0) / known.length;
  const squares = known.reduce((sum, { rate }) => sum + (rate - mean) ** 2, 0);
  const about = squares > mean ** 2 * ROUNDING ? squares : 0;
  const inverse = known.reduce((sum, { weight }) => sum + 1 / weight, 0) / known.length;
  return { slopes, left, free, mean, about, known: known.length, inverse };
}

/** What is less than this share of the whole is what reckoning leaves. */
const ROUNDING = 1e-12;

/** From a chi-squared distribution: twice a gamma one of half as many (Marsaglia and Tsang). */
function chiSquared(free: number, chance: SeededRandom): number {
  return 2 * gamma(free / 2, chance);
}

function gamma(shape: number, chance: SeededRandom): number {
  if (shape < 1) return gamma(shape + 1, chance) * (1 - chance.next()) ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = chance.normal();
    const v = (1 + c * x) ** 3;
    if (v <= 0) continue;
    if (Math.log(1 - chance.next()) < (x * x) / 2 + d * (1 - v + Math.log(v))) return d * v;
  }
}
