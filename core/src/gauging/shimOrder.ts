import type { PlannedShim, ShimRow } from './shims';

/**
 * One bucket opened once: the shim taken out and the one put in, µm; null is a stand-in shim,
 * there only so that the engine can be barred on.
 */
export type ShimAct = { stop: number; id: string; out: number | null; in: number | null };

/**
 * The order of work, stop by stop: at each all shims to be changed come out, then all go in.
 * A shim that is still in a bucket of a later stop cannot be fitted yet: a stand-in goes in,
 * and the bucket is opened once more after that stop. Nothing is barred with a shim out.
 */
export function shimOrder(rows: readonly ShimRow[], planned: readonly PlannedShim[]): ShimAct[] {
  const stopOf = new Map(rows.map(({ id, stop }) => [id, stop]));
  const opened = planned.filter(({ id, from }) => from !== id);
  const stops = [...new Set(opened.map(({ id }) => stopOf.get(id) as number))].sort(
    (a, b) => a - b,
  );
  const acts: ShimAct[] = [];
  const waiting: PlannedShim[] = [];
  for (const stop of stops) {
    for (const row of opened.filter(({ id }) => stopOf.get(id) === stop)) {
      const donorStop = stopOf.get(row.from) ?? stop;
      const inHand = donorStop <= stop;
      acts.push({ stop, id: row.id, out: row.old, in: inHand ? row.new : null });
      if (!inHand) waiting.push(row);
    }
  }
  // Collected stop by stop, so the second time round is in the order of the stops again.
  for (const row of waiting) {
    acts.push({ stop: stopOf.get(row.id) as number, id: row.id, out: null, in: row.new });
  }
  return acts;
}
