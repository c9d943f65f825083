import type { PlannedShim } from './plannedShim';

/**
 * One bucket opened once: the shim taken out and the one put in, µm; null is a stand-in shim,
 * there only so that the engine can be barred on. `stop` is its stop's place in the walk.
 */
export type ShimAct = { stop: number; id: string; out: number | null; in: number | null };

/**
 * The order of work, stop by stop in the order of the walk: at each all shims to be changed come
 * out, then all go in. A shim that is still in a bucket of a later stop cannot be fitted yet: a
 * stand-in goes in, and the bucket is opened once more after that stop. Nothing is barred with a
 * shim out. `put` says what was put in already; `placeOf` the stop's place in the walk from here.
 *
 * `shimOrder(rows, (id) => 0, {})`: all at one stop, each opened once.
 */
export function shimOrder(
  planned: readonly PlannedShim[],
  placeOf: (id: string) => number,
  put: Readonly<Record<string, number | null>>,
): ShimAct[] {
  const toFit = planned.filter(({ id, from }) => from !== id && typeof put[id] !== 'number');
  const opened = (id: string) => id in put;
  const places = [...new Set(toFit.map(({ id }) => placeOf(id)))].sort((a, b) => a - b);
  const acts: ShimAct[] = [];
  const waiting: PlannedShim[] = [];
  for (const place of places) {
    for (const row of toFit.filter(({ id }) => placeOf(id) === place)) {
      const donor = planned.find(({ id }) => id === row.from);
      const inHand = !donor || opened(donor.id) || placeOf(donor.id) <= place;
      if (inHand)
        acts.push({ stop: place, id: row.id, out: opened(row.id) ? null : row.old, in: row.new });
      else {
        if (!opened(row.id)) acts.push({ stop: place, id: row.id, out: row.old, in: null });
        waiting.push(row);
      }
    }
  }
  // Collected stop by stop, so the second time round is in the order of the stops again.
  for (const row of waiting) {
    acts.push({ stop: placeOf(row.id), id: row.id, out: null, in: row.new });
  }
  return acts;
}
