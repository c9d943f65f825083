import { adjustersOf } from '../engine/adjusters';
import type { EngineSheet } from '../engine/sheet';
import type { Rates } from '../gauging/rates';
import type { Reading } from '../gauging/reading';
import { middleOf } from '../gauging/reading';
import type { ShimRow, ShimSupply } from '../gauging/shims';
import { FROM_STOCK, planShims } from '../gauging/shims';
import { engineHours } from '../service/hours';
import type { MachineDetail } from '../wire/machines';

/** What a machine's buckets were left at, and how fast they drift. */
export type ShimmedMachine = {
  sheet: EngineSheet;
  left: Readonly<Record<string, Reading>>;
  shims: Readonly<Record<string, number>>;
  rates: Rates;
  /** Hours of work between then and when it is opened. */
  hours: number;
};

/**
 * A machine as it will be found when its check is due: the hours from the last one on are the
 * engine's, whatever meters showed them; its interval's where the meter was not read then.
 */
export function asFoundWhenDue({
  document,
  lastLeft,
  rates,
  due,
  interval,
  meter,
}: Pick<
  MachineDetail,
  'document' | 'lastLeft' | 'rates' | 'due' | 'interval' | 'meter'
>): ShimmedMachine {
  const since = lastLeft?.hours ? engineHours(lastLeft.hours, meter) : undefined;
  const hours = since === undefined ? interval : (due?.atHours ?? since) - since;
  const { readings: left = {}, shims = {} } = lastLeft ?? {};
  return { sheet: document, left, shims, rates: rates ?? {}, hours: Math.max(0, hours ?? 0) };
}

/** Shims of a size, and how many. */
export type SizeCount = { size: number; count: number };

/** What a machine will probably need: out of the drawer, and what has to be bought before. */
export type ShimsAhead = { fromStock: SizeCount[]; buy: SizeCount[] };

/** The buckets as they will probably be found: each as it was left, and as far on as it drifts. */
function rowsAhead({ sheet, left, shims, rates, hours }: ShimmedMachine): ShimRow[] {
  return adjustersOf(sheet).flatMap(({ id, entry }): ShimRow[] => {
    const [reading, old, band] = [left[id], shims[id], rates[id]];
    const then = reading && middleOf(reading);
    if (entry.method !== 'shim' || !entry.spec || then === undefined) return [];
    if (old === undefined || !band) return [];
    const measured = Math.round(then + (band.rate * hours) / 1000);
    return [{ id, old, measured, spec: entry.spec, stop: 0 }];
  });
}

/**
 * Which shims machines will probably need, in the order in which they are opened: what one takes out
 * of the drawer is not there for the next.
 */
export function shimsAhead(
  machines: readonly ShimmedMachine[],
  { stock, ...supply }: ShimSupply,
): ShimsAhead[] {
  const drawer = new Map(stock.map(({ size, count }) => [size, count]));
  return machines.map((machine) => {
    const rows = rowsAhead(machine);
    if (rows.length === 0) return { fromStock: [], buy: [] };
    const inDrawer = [...drawer].map(([size, count]) => ({ size, count }));
    const planned = planShims(rows, { ...supply, stock: inDrawer });
    const taken = new Map<number, number>();
    for (const { from, new: size } of planned.rows) {
      if (from === FROM_STOCK) taken.set(size, (taken.get(size) ?? 0) + 1);
    }
    for (const [size, count] of taken) drawer.set(size, (drawer.get(size) ?? 0) - count);
    const fromStock = [...taken].map(([size, count]) => ({ size, count }));
    return { fromStock: fromStock.sort((a, b) => a.size - b.size), buy: planned.buy };
  });
}
