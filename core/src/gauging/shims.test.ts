import fc from 'fast-check';
import type { ShimPlan, ShimRow, ShimSupply } from '..';
import { planShims } from '..';

const spec = { low: 220, target: 270, high: 320 };
const bucket = (id: string, old: number, measured: number, stop = 0): ShimRow => ({
  id,
  old,
  measured,
  spec,
  stop,
});
const nothing: ShimSupply = {
  stock: [],
  buy: { from: 2200, to: 3000, step: 50 },
  policy: 'leave-inside',
};

type Score = [outside: number, bought: number, opened: number, distance: number];

function score(rows: readonly ShimRow[], sizes: readonly { size: number; from: string }[]): Score {
  const total: Score = [0, 0, 0, 0];
  rows.forEach((row, i) => {
    const { size, from } = sizes[i]!;
    const lash = row.old + row.measured - size;
    if (lash < row.spec.low || lash > row.spec.high) total[0]++;
    if (from === 'buy') total[1]++;
    if (from !== row.id) total[2]++;
    total[3] += Math.abs(lash - row.spec.target) * (lash < row.spec.target ? 2 : 1);
  });
  return total;
}

function byPolicy([outside, bought, opened, distance]: Score, policy: ShimSupply['policy']) {
  return policy === 'reset-all'
    ? [outside, bought, distance, opened]
    : [outside, bought, opened, distance];
}

const isLess = (a: readonly number[], b: readonly number[]) => {
  const i = a.findIndex((value, k) => value !== b[k]);
  return i >= 0 && a[i]! < b[i]!;
};

/** The best score of every way to hand out the shims, one by one. */
function exhaustive(rows: readonly ShimRow[], { stock, buy, policy }: ShimSupply): number[] {
  const shims = [
    ...rows.map(({ id, old }) => ({ size: old, from: id })),
    ...stock
      .flatMap(({ size, count }) => Array.from({ length: count }, () => size))
      .map((size) => ({ size, from: 'stock' })),
  ];
  const catalogue: { size: number; from: string }[] = [];
  for (let size = buy.from; size <= buy.to; size += buy.step) catalogue.push({ size, from: 'buy' });
  let best: number[] | undefined;
  const hand = (chosen: { size: number; from: string }[], used: Set<number>) => {
    if (chosen.length === rows.length) {
      const total = byPolicy(score(rows, chosen), policy);
      if (!best || isLess(total, best)) best = total;
      return;
    }
    shims.forEach((shim, i) => {
      if (used.has(i)) return;
      hand([...chosen, shim], new Set([...used, i]));
    });
    for (const shim of catalogue) hand([...chosen, shim], used);
  };
  hand([], new Set());
  return best!;
}

const planScore = (rows: readonly ShimRow[], plan: ShimPlan, policy: ShimSupply['policy']) =>
  byPolicy(
    score(
      rows,
      plan.rows.map(({ new: size, from }) => ({ size, from })),
    ),
    policy,
  );

describe('which shim goes where', () => {
  it('leaves alone what is inside its limits', () => {
    const plan = planShims([bucket('intake.1', 2600, 250)], nothing);
    expect(plan).toEqual({
      rows: [
        {
          id: 'intake.1',
          old: 2600,
          new: 2600,
          from: 'intake.1',
          lash: 250,
          sum: '2.60 + 0.25 − 0.25 = 2.60 mm',
        },
      ],
      buy: [],
      outside: [],
      order: [],
    });
  });

  it('lets a shim that comes out serve elsewhere before anything is bought', () => {
    const rows = [bucket('intake.1', 2600, 170), bucket('intake.2', 2500, 370)];
    const plan = planShims(rows, nothing);
    expect(plan.rows.map(({ from, new: size, lash }) => [from, size, lash])).toEqual([
      ['intake.2', 2500, 270],
      ['intake.1', 2600, 270],
    ]);
    expect(plan.buy).toEqual([]);
  });

  it('takes from the drawer, then from the shop, and says what to buy', () => {
    const rows = [bucket('intake.1', 2600, 170), bucket('intake.2', 2600, 170)];
    const plan = planShims(rows, { ...nothing, stock: [{ size: 2500, count: 1 }] });
    expect(plan.rows.map(({ from }) => from).sort()).toEqual(['buy', 'stock']);
    expect(plan.buy).toEqual([{ size: 2500, count: 1 }]);
  });

  it('names what no shim brings inside', () => {
    const far = planShims([bucket('intake.1', 2600, 900)], nothing);
    expect(far.outside).toEqual(['intake.1']);
    expect(far.rows[0]).toMatchObject({ from: 'intake.1', lash: 900 });
    expect(far.buy).toEqual([]);
  });

  it('puts the distance before the buckets opened only where all are reset', () => {
    const rows = [bucket('intake.1', 2600, 240)];
    const supply = { ...nothing, stock: [{ size: 2570, count: 3 }] };
    expect(planShims(rows, supply).order).toEqual([]);
    expect(planShims(rows, { ...supply, policy: 'reset-all' }).rows[0]).toMatchObject({
      new: 2570,
      lash: 270,
    });
  });

  it('never bars with a shim out: a stand-in where the donor is at a later stop', () => {
    const rows = [bucket('intake.1', 2600, 170, 0), bucket('intake.2', 2500, 370, 1)];
    expect(planShims(rows, nothing).order).toEqual([
      { stop: 0, id: 'intake.1', out: 2600, in: null },
      { stop: 1, id: 'intake.2', out: 2500, in: 2600 },
      { stop: 0, id: 'intake.1', out: null, in: 2500 },
    ]);
    const together = rows.map((row) => ({ ...row, stop: 0 }));
    expect(planShims(together, nothing).order).toEqual([
      { stop: 0, id: 'intake.1', out: 2600, in: 2500 },
      { stop: 0, id: 'intake.2', out: 2500, in: 2600 },
    ]);
  });

  const size = fc.integer({ min: 0, max: 12 }).map((step) => 2300 + 50 * step);
  const rowsOf = (most: number) =>
    fc
      .array(
        fc.record({ old: size, measured: fc.integer({ min: 100, max: 450 }), stop: fc.nat(2) }),
        {
          minLength: 1,
          maxLength: most,
        },
      )
      .map((list) => list.map((row, i) => ({ ...row, id: `intake.${i + 1}`, spec })));
  const supplyOf = fc.record({
    stock: fc.array(fc.record({ size, count: fc.integer({ min: 1, max: 2 }) }), { maxLength: 1 }),
    buy: fc.constant({ from: 2450, to: 2600, step: 50 }),
    policy: fc.constantFrom('leave-inside' as const, 'reset-all' as const, 'loose-side' as const),
  });

  it('is as good as trying every way on small heads', () => {
    fc.assert(
      fc.property(rowsOf(3), supplyOf, (rows, supply) => {
        const plan = planShims(rows, supply);
        expect(planScore(rows, plan, supply.policy)).toEqual(exhaustive(rows, supply));
      }),
      { numRuns: 150 },
    );
  });

  it('hands out each shim once, and empties no bucket', () => {
    fc.assert(
      fc.property(rowsOf(12), supplyOf, (rows, supply) => {
        const { rows: planned, order } = planShims(rows, supply);
        const donors = planned.map(({ from }) => from).filter((from) => from.startsWith('intake'));
        expect(new Set(donors).size).toBe(donors.length);
        const inBucket = new Map<string, number | null>(rows.map(({ id, old }) => [id, old]));
        for (const act of order) {
          expect(act.out).toBe(inBucket.get(act.id));
          inBucket.set(act.id, act.in);
        }
        planned.forEach((row) => expect(inBucket.get(row.id)).toBe(row.new));
      }),
    );
  });
});
