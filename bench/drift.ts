import type { DriftHistory, Spec } from '@longbar/core';
import { forecastDrift, SeededRandom } from '@longbar/core';
import type { Line } from './line';

const SPECS: Record<'intake' | 'exhaust', Spec> = {
  intake: { low: 280, target: 330, high: 380 },
  exhaust: { low: 530, target: 580, high: 630 },
};
const KINDS = ['intake', 'exhaust'] as const;
/** Engines by their adjusters, and the blades they are read by, µm. */
const SIZES = [
  [4, 12],
  [13, 24],
  [25, 48],
] as const;
const STEPS = [20, 50];
const ENGINES = 1000;
const DRAWS = 500;
/** What a hand feels and an engine does besides wearing, µm. */
const SCATTER = 8;
const NEVER = 1e9;

type Truth = { id: string; rate: number; left: number; spec: Spec };

/**
 * Made-up engines whose gaps close by straight lines, each its own, read by blades: how often any
 * adjuster is out at the hours that are told, and how often one leaves inside its own band.
 */
export function driftLines(): Line[] {
  const groups = SIZES.flatMap(([from, to]) => STEPS.map((step) => measured(from, to, step)));
  const all = groups.reduce((sum, { out }) => sum + out, 0) / groups.length;
  const inside = groups.reduce((sum, each) => sum + each.inside, 0) / groups.length;
  return [
    ...groups.map(({ from, to, step, out }) =>
      share(
        `any of ${from} to ${to} adjusters out at the hours told, blades ${step} µm apart`,
        out,
        7,
        13,
      ),
    ),
    share(`the same over all ${groups.length * ENGINES} engines`, all, 7, 13),
    share('an adjuster’s own line leaves inside its 10–90 % band', inside, 75, 85),
  ];
}

function share(what: string, of: number, least: number, most: number): Line {
  const percent = 100 * of;
  return {
    what: `forecastDrift: ${what}`,
    figure: `${percent.toFixed(1)} %`,
    wanted: `${least} to ${most} %`,
    held: percent >= least && percent <= most,
  };
}

function measured(from: number, to: number, step: number) {
  let [out, inside, known] = [0, 0, 0];
  for (let engine = 0; engine < ENGINES; engine++) {
    const random = new SeededRandom(engine * 7919 + from * 31 + step);
    const { histories, truths } = madeUp(random.whole(from, to), step, random);
    const options = { everyHours: NEVER, seed: engine, draws: DRAWS };
    const { recheckAt, adjusters } = forecastDrift(histories, SPECS, options);
    if (truths.some((truth) => isOut(truth, recheckAt.hours))) out++;
    adjusters.forEach(({ leaves }, i) => {
      const truth = truths[i];
      if (!leaves || !truth) return;
      const { rate, left, spec } = truth;
      const leaving = (1000 * ((rate < 0 ? spec.low : spec.high) - left)) / rate;
      known++;
      if (leaving >= leaves.p10 && leaving <= leaves.p90) inside++;
    });
  }
  return { from, to, step, out: out / ENGINES, inside: inside / known };
}

function isOut({ rate, left, spec }: Truth, hours: number): boolean {
  const gap = left + (rate * hours) / 1000;
  return gap < spec.low || gap > spec.high;
}

/** An engine of so many adjusters with 3 to 8 intervals, each set somewhere inside its blade. */
function madeUp(adjusters: number, step: number, random: SeededRandom) {
  const spans = Array.from({ length: random.whole(3, 8) }, () => 500 + random.next() * 300);
  const read = (gap: number) => {
    const go = Math.floor(gap / step) * step;
    return { go, noGo: go + step };
  };
  const histories: DriftHistory[] = [];
  const truths: Truth[] = [];
  for (const [k, kind] of KINDS.entries()) {
    const spec = SPECS[kind];
    const set = () => (Math.floor(spec.target / step) + random.next()) * step;
    const wear = -20 * Math.exp(0.6 * random.normal());
    const differ = -wear * (0.1 + 0.25 * random.next());
    const count = k === 0 ? Math.ceil(adjusters / 2) : Math.floor(adjusters / 2);
    for (let n = 1; n <= count; n++) {
      const id = `${kind}.${n}`;
      const rate = wear + differ * random.normal();
      let [hours, left] = [0, set()];
      const jobs = [{ hours, found: read(left), left: read(left) }];
      for (const span of spans) {
        const found = left + (rate * span) / 1000 + SCATTER * random.normal();
        [hours, left] = [hours + span, set()];
        jobs.push({ hours, found: read(found), left: read(left) });
      }
      histories.push({ id, jobs });
      truths.push({ id, rate, left, spec });
    }
  }
  return { histories, truths };
}
