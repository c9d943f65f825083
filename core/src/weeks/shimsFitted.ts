import { FROM_STOCK } from '../gauging/shims';
import type { JobState } from '../job/journal/state';
import type { SizeCount } from './shimsAhead';

/**
 * What a job took out of the drawer: the shims it fitted that were planned from stock. Where the plan
 * was not kept to, what was fitted and neither taken out of a bucket nor to be bought.
 */
export function shimsFromDrawer({ adjusters, shims }: JobState): SizeCount[] {
  const fitted = Object.entries(adjusters).flatMap(([id, { fitted: size, shim }]) =>
    typeof size === 'number' && size !== shim ? [{ id, size }] : [],
  );
  const others = new Map<number, number>();
  const add = (size: number, count: number) => others.set(size, (others.get(size) ?? 0) + count);
  for (const { id } of fitted) {
    const out = adjusters[id]?.shim;
    if (out !== undefined) add(out, 1);
  }
  for (const { size, count } of shims?.buy ?? []) add(size, count);
  const taken = new Map<number, number>();
  for (const { id, size } of fitted) {
    const row = shims?.rows.find((each) => each.id === id && each.new === size);
    const other = others.get(size) ?? 0;
    const fromDrawer = row ? row.from === FROM_STOCK : other <= 0;
    if (fromDrawer) taken.set(size, (taken.get(size) ?? 0) + 1);
    else others.set(size, other - 1);
  }
  return [...taken].map(([size, count]) => ({ size, count })).sort((a, b) => a.size - b.size);
}

/** A drawer without what was taken out of it: never fewer than none. */
export function drawerWithout(
  stock: readonly SizeCount[],
  taken: readonly SizeCount[],
): SizeCount[] {
  const gone = new Map(taken.map(({ size, count }) => [size, count]));
  return stock.flatMap(({ size, count }) => {
    const left = count - (gone.get(size) ?? 0);
    return left > 0 ? [{ size, count: left }] : [];
  });
}
