import { present } from '../present';
import { itemAt } from '../itemAt';
import type { Adjuster } from '../engine/adjusters';
import { ANGLE_TOLERANCE, wrap } from '../engine/angle';
import { seatingOf } from '../engine/layout';
import { isTelling } from '../engine/kinds';
import type { EngineSheet } from '../engine/sheet';
import type { Engine } from './assembly';
import { assemble, engineOf, holdsAt, marginAt } from './assembly';
import type { BarringPlan, PlanOptions } from './barringPlan';
import { homeAngle, inVisitingOrder, withMark } from './sites';
import type { Result } from '../result';

/**
 * Valve by valve: each adjuster is set when that valve is fully down whose peak leaves it
 * the largest margin. Names the sum rule where one holds for the whole engine.
 */
export function planWatch(sheet: EngineSheet, { startAt, ids }: PlanOptions): Result<BarringPlan> {
  const engine = engineOf(sheet, ids);
  const { adjusters, all, firing } = engine;
  const numbers = valveNumbers(sheet);
  const watchable = all.filter(
    ({ kind, id, peak }) => isTelling(kind) && peak !== undefined && numbers.has(id),
  );
  if (watchable.length === 0)
    return { refused: 'not-on-sheet', says: 'The sheet gives no valve whose lift is known.' };
  const watched = new Map<Adjuster, Adjuster>();
  for (const adjuster of adjusters) {
    const valve = bestWatched(adjuster, watchable, engine, startAt ?? homeAngle(firing));
    if (valve) watched.set(adjuster, valve);
  }
  const sites = [...new Set(watched.values())].map(({ id, peak }) =>
    withMark(
      {
        at: present(peak),
        watch: { id, valve: present(numbers.get(id)), state: 'down' },
      },
      sheet,
    ),
  );
  const plan = assemble(
    engine,
    inVisitingOrder(sites, firing, startAt),
    (adjuster, visited) => {
      const id = watched.get(adjuster)?.id;
      const site = visited.findIndex(
        ({ watch }) => watch !== undefined && 'id' in watch && watch.id === id,
      );
      return site < 0 ? undefined : site;
    },
    startAt,
  );
  const rule = sumRule(adjusters, watched, numbers);
  return rule === undefined ? plan : { ...plan, rule: { sum: rule } };
}

/** The valve whose peak leaves `adjuster` the most; its own kind, then the nearer, on a tie. */
function bestWatched(
  adjuster: Adjuster,
  watchable: readonly Adjuster[],
  { firing }: Engine,
  from: number,
): Adjuster | undefined {
  const rank = (valve: Adjuster) => {
    const peak = present(valve.peak);
    return [
      -present(marginAt(adjuster, peak, firing.cycle)),
      valve.kind === adjuster.kind ? 0 : 1,
      wrap(peak - from, firing.cycle),
    ];
  };
  const able = watchable
    .filter((valve) => holdsAt(adjuster, present(valve.peak), firing.cycle))
    .map((valve) => ({ valve, rank: rank(valve) }));
  able.sort((a, b) => {
    const i = a.rank.findIndex((value, k) => Math.abs(value - itemAt(b.rank, k)) > ANGLE_TOLERANCE);
    return i < 0 ? 0 : itemAt(a.rank, i) - itemAt(b.rank, i);
  });
  return able[0]?.valve;
}

/** The number of the valve each intake and exhaust adjuster stands at. */
export function valveNumbers(sheet: EngineSheet): Map<string, number> {
  const numbers = new Map<string, number>();
  for (const { cylinders } of seatingOf(sheet)) {
    for (const { valves, adjusters } of cylinders) {
      for (const { id, kind, n } of adjusters) {
        const valve = valves.find((candidate) => candidate.kind === kind && candidate.n === n);
        if (valve) numbers.set(id, valve.number);
      }
    }
  }
  return numbers;
}

/** The sum of valve and watched valve, where it is one and the same for the whole engine. */
function sumRule(
  adjusters: readonly Adjuster[],
  watched: ReadonlyMap<Adjuster, Adjuster>,
  numbers: ReadonlyMap<string, number>,
): number | undefined {
  const sums = new Set<number | undefined>();
  for (const adjuster of adjusters) {
    if (!isTelling(adjuster.kind)) continue;
    const valve = numbers.get(adjuster.id);
    const other = numbers.get(watched.get(adjuster)?.id ?? '');
    sums.add(valve === undefined || other === undefined ? undefined : valve + other);
  }
  const [sum] = sums;
  return sums.size === 1 ? sum : undefined;
}
