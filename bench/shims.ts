import type { ShimRow, ShimSupply } from '@longbar/core';
import { planShims } from '@longbar/core';
import type { Highs } from 'highs';
import loadHighs from 'highs';
import type { Line } from './line';
import { quantile, timed } from './line';
import { SeededRandom } from '@longbar/core';

const SPEC = { low: 220, target: 270, high: 320 };
const BUY = { from: 2200, to: 3000, step: 50 };

/** A head of so many buckets as measured, and a drawer half as large, from a seed. */
function head(rows: number, random: SeededRandom): { rows: ShimRow[]; supply: ShimSupply } {
  const size = () => 2300 + 50 * Math.floor(random.next() * 12);
  return {
    rows: Array.from({ length: rows }, (_, i) => ({
      id: `intake.${i + 1}`,
      old: size(),
      measured: 120 + 5 * Math.floor(random.next() * 60),
      spec: SPEC,
      stop: i % 4,
    })),
    supply: {
      stock: Array.from({ length: 12 }, () => ({ size: size(), count: 2 })),
      buy: BUY,
      policy: 'leave-inside',
    },
  };
}

type Score = [outside: number, bought: number, opened: number, distance: number];

function scoreOf(row: ShimRow, size: number, from: string): Score {
  const over = row.old + row.measured - size - row.spec.target;
  const outside = over < SPEC.low - SPEC.target || over > SPEC.high - SPEC.target;
  return [
    outside ? 1 : 0,
    from === 'buy' ? 1 : 0,
    from === row.id ? 0 : 1,
    over < 0 ? -2 * over : over,
  ];
}

/** The same problem as a general solver takes it: one assignment per rank, each held fixed. */
function byHighs(highs: Highs, rows: readonly ShimRow[], supply: ShimSupply): number[] {
  const shims = [
    ...rows.map(({ id, old }) => ({ size: old, from: id })),
    ...supply.stock.flatMap(({ size, count }) =>
      Array.from({ length: count }, () => ({ size, from: 'stock' })),
    ),
  ];
  const sizes: number[] = [];
  for (let size = BUY.from; size <= BUY.to; size += BUY.step) sizes.push(size);
  const variables = rows.flatMap((row, i) => [
    ...shims.map((shim, k) => ({
      name: `x${i}_${k}`,
      row: i,
      shim: k,
      score: scoreOf(row, shim.size, shim.from),
    })),
    ...sizes.map((size, k) => ({
      name: `b${i}_${k}`,
      row: i,
      shim: -1,
      score: scoreOf(row, size, 'buy'),
    })),
  ]);
  const each = rows.map(
    (_, i) =>
      `${variables
        .filter(({ row }) => row === i)
        .map(({ name }) => name)
        .join(' + ')} = 1`,
  );
  const once = shims.map(
    (_, k) =>
      `${variables
        .filter(({ shim }) => shim === k)
        .map(({ name }) => name)
        .join(' + ')} <= 1`,
  );
  const fixed: string[] = [];
  return [0, 1, 2, 3].map((rank) => {
    const terms = variables
      .filter(({ score }) => score[rank] !== 0)
      .map(({ name, score }) => `${score[rank]} ${name}`);
    const sum = terms.length > 0 ? terms.join(' + ') : `0 ${variables[0]?.name}`;
    const problem = [
      'Minimize',
      ` obj: ${sum}`,
      'Subject To',
      ...[...each, ...once, ...fixed].map((line, i) => ` c${i}: ${line}`),
      'Binary',
      ` ${variables.map(({ name }) => name).join(' ')}`,
      'End',
    ].join('\n');
    const best = Math.round(highs.solve(problem).ObjectiveValue);
    fixed.push(`${sum} <= ${best}`);
    return best;
  });
}

/** `planShims` against a general solver at 48 buckets, in the same run. */
export async function shimLines(): Promise<Line[]> {
  const highs = await loadHighs();
  const random = new SeededRandom(48);
  const heads = Array.from({ length: 12 }, () => head(48, random));
  heads.forEach(({ rows, supply }) => planShims(rows, supply));
  const ratios: number[] = [];
  let same = 0;
  for (const { rows, supply } of heads) {
    const { answer: plan, took: ours } = timed(() => planShims(rows, supply));
    const { answer: general, took: theirs } = timed(() => byHighs(highs, rows, supply));
    ratios.push(theirs / ours);
    const own = [0, 1, 2, 3].map((rank) =>
      plan.rows.reduce((sum, row, i) => {
        return sum + (scoreOf(rows[i] as ShimRow, row.new, row.from)[rank] ?? 0);
      }, 0),
    );
    if (own.join() === general.join()) same++;
  }
  return [
    {
      what: 'planShims, 48 buckets: as good as HiGHS in every rank',
      figure: `${same} of ${heads.length}`,
      wanted: 'all',
      held: same === heads.length,
    },
    {
      what: 'planShims: times faster than HiGHS, median',
      figure: quantile(ratios, 0.5).toFixed(0),
      wanted: 'at least 1',
      held: quantile(ratios, 0.5) >= 1,
    },
  ];
}
