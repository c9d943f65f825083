import { readId } from '../engine/kinds';
import type { PlannedAdjuster, Watch } from './barringPlan';

/**
 * What is set at a stop: "intake 1 2 4, exhaust 1 3 5".
 *
 * @example describeSet([{ id: 'intake.1' }, { id: 'intake.2' }, { id: 'exhaust.1' }])
 *   // 'intake 1 2, exhaust 1'
 */
export function describeSet(set: readonly PlannedAdjuster[]): string {
  const kinds = new Map<string, Set<number>>();
  for (const { id } of set) {
    const { kind, cylinder } = readId(id);
    kinds.set(kind, (kinds.get(kind) ?? new Set()).add(cylinder));
  }
  return [...kinds]
    .map(([kind, cylinders]) => `${kind} ${[...cylinders].sort((a, b) => a - b).join(' ')}`)
    .join(', ');
}

/** What is looked at to know a stop. */
export function describeWatch(watch: Watch): string {
  if (watch.state === 'rocking') return `When No. ${watch.cylinder} rocks.`;
  const valve = watch.valve > 0 ? `valve ${watch.valve}` : 'the valve';
  const name = `${valve} (${watch.id.replace('.', ' ')})`;
  return watch.state === 'down'
    ? `When ${name} is fully down.`
    : `When ${name} has just stopped going down.`;
}
