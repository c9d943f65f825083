import type { PlannedAdjuster, Watch } from './barringPlan';

/** What is set at a stop: "intake 1 2 4, exhaust 1 3 5". */
export function describeSet(set: readonly PlannedAdjuster[]): string {
  const kinds = new Map<string, Set<number>>();
  for (const { id } of set) {
    const [kind = '', cylinder] = id.split('.');
    kinds.set(kind, (kinds.get(kind) ?? new Set()).add(Number(cylinder)));
  }
  return [...kinds]
    .map(([kind, cylinders]) => `${kind} ${[...cylinders].sort((a, b) => a - b).join(' ')}`)
    .join(', ');
}

/** What is looked at to know a stop. */
export function describeWatch(watch: Watch): string {
  return watch.state === 'rocking'
    ? `When No. ${watch.cylinder} rocks.`
    : `When valve ${watch.valve} is fully down (${watch.id.replace('.', ' ')}).`;
}
