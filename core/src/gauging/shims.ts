import { itemAt } from '../itemAt';
import type { SettingSpec } from './toSet';
import { toSet } from './toSet';
import { formatMillimetres } from '../units';
import { assignCheapest } from './assign';
import type { ShopPolicy } from './policy';
import type { PlannedShim } from './plannedShim';
import type { ShimAct } from './shimOrder';
import { shimOrder } from './shimOrder';

/** A bucket as measured: the shim in it and the lash found with it, µm; `stop` is its stop. */
export type ShimRow = {
  id: string;
  old: number;
  measured: number;
  spec: SettingSpec;
  stop: number;
};

export type ShimSupply = {
  /** Shims in the drawer, µm. */
  stock: readonly { size: number; count: number }[];
  /** Sizes that can be bought, µm. */
  buy: { from: number; to: number; step: number };
  policy: ShopPolicy;
};

export type ShimPlan = {
  rows: PlannedShim[];
  buy: { size: number; count: number }[];
  /** Buckets that no shim brings inside their limits. */
  outside: string[];
  /** What to do in which order; nothing is barred with a shim out. */
  order: ShimAct[];
};

export const FROM_STOCK = 'stock';
export const FROM_BUY = 'buy';

/** One shim that may go into a bucket. A bought one is offered to one bucket only. */
type Shim = { size: number; from: string; onlyFor?: number };

/**
 * Which shim goes into which bucket: new = old + measured − wanted, and any shim taken out may
 * serve elsewhere. Least first: buckets outside their limits, shims bought, buckets opened,
 * the sum of |lash − target| with the tight side counting double; with `reset-all` the sum
 * comes before the buckets opened. Every count adds up over the buckets, so one assignment
 * with weighted costs is exact.
 */
export function planShims(rows: readonly ShimRow[], supply: ShimSupply): ShimPlan {
  const shims = shimsFor(rows, supply);
  const cost = costs(rows, shims, supply.policy);
  const assigned = assignCheapest(rows.length, shims.length, cost);
  const planned = rows.map((row, i) => plannedShim(row, itemAt(shims, itemAt(assigned, i))));
  const stopOf = new Map(rows.map(({ id, stop }) => [id, stop]));
  const outside = rows.filter((row, i) => !isInside(row, itemAt(planned, i).new));
  return {
    rows: planned,
    buy: shoppingList(planned),
    outside: outside.map(({ id }) => id),
    order: shimOrder(planned, (id) => stopOf.get(id) ?? 0, {}),
  };
}

/** The lash a bucket has with a shim of this size, µm. */
function lashWith(row: Pick<ShimRow, 'old' | 'measured'>, size: number): number {
  return row.old + row.measured - size;
}

function isInside(row: ShimRow, size: number): boolean {
  const lash = lashWith(row, size);
  return lash >= row.spec.low && lash <= row.spec.high;
}

/** How far from target, a µm on the tight side counting double. */
function distance(row: ShimRow, size: number): number {
  const over = lashWith(row, size) - toSet(row.spec);
  return over < 0 ? -2 * over : over;
}

function shimsFor(rows: readonly ShimRow[], { stock, buy }: ShimSupply): Shim[] {
  const own = rows.map(({ id, old }): Shim => ({ size: old, from: id }));
  const drawer = stock.flatMap(({ size, count }) =>
    Array.from({ length: Math.min(count, rows.length) }, (): Shim => ({ size, from: FROM_STOCK })),
  );
  const bought = rows.flatMap((row, onlyFor): Shim[] => {
    const size = bestToBuy(row, buy);
    return size === undefined ? [] : [{ size, from: FROM_BUY, onlyFor }];
  });
  return [...own, ...drawer, ...bought];
}

/** The size to buy for this bucket: inside its limits and nearest the target; looser on a tie. */
function bestToBuy(row: ShimRow, { from, to, step }: ShimSupply['buy']): number | undefined {
  if (!(step > 0)) return undefined;
  const wanted = row.old + row.measured - toSet(row.spec);
  const below = from + Math.floor((wanted - from) / step) * step;
  const [best] = [below, below + step]
    .map((size) => Math.min(Math.max(size, from), from + Math.floor((to - from) / step) * step))
    .filter((size) => size >= from && isInside(row, size))
    .sort((a, b) => distance(row, a) - distance(row, b) || a - b);
  return best;
}

/** The cost of a shim in a bucket: one number that no lower rank can add up to the next. */
function costs(rows: readonly ShimRow[], shims: readonly Shim[], policy: ShopPolicy) {
  const count = rows.length + 1;
  const farthest = Math.max(
    0,
    ...rows.flatMap((row) => shims.map(({ size }) => distance(row, size))),
  );
  const allDistance = farthest * count + 1;
  const [opening, micrometre] = policy === 'reset-all' ? [1, count] : [allDistance, 1];
  const bought = allDistance * count;
  const outside = bought * count;
  const never = outside * count;
  return (i: number, k: number): number => {
    const row = itemAt(rows, i);
    const shim = itemAt(shims, k);
    if (shim.onlyFor !== undefined && shim.onlyFor !== i) return never;
    return (
      (isInside(row, shim.size) ? 0 : outside) +
      (shim.onlyFor === undefined ? 0 : bought) +
      (shim.from === row.id ? 0 : opening) +
      distance(row, shim.size) * micrometre
    );
  };
}

function plannedShim(row: ShimRow, shim: Shim): PlannedShim {
  const lash = lashWith(row, shim.size);
  const [old, measured, left, size] = [row.old, row.measured, lash, shim.size].map((length) =>
    formatMillimetres(length),
  );
  return {
    id: row.id,
    old: row.old,
    new: shim.size,
    from: shim.from,
    lash,
    sum: `${old} + ${measured} − ${left} = ${size} mm`,
    ...(row.spec.aim !== undefined && { aimed: row.spec.aim }),
  };
}

function shoppingList(planned: readonly PlannedShim[]): ShimPlan['buy'] {
  const counts = new Map<number, number>();
  for (const row of planned) {
    if (row.from === FROM_BUY) counts.set(row.new, (counts.get(row.new) ?? 0) + 1);
  }
  return [...counts].map(([size, count]) => ({ size, count })).sort((a, b) => a.size - b.size);
}
