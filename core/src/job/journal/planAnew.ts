import { isBegun } from './begun';
import { isInScope } from './scope';
import { shimsUnderWay } from './shimsInHand';
import type { JobState, KeptPlan } from './state';

/**
 * The stops are planned anew: what was decided of the chart's places was decided of the plan
 * before. What was set by it already stays so, and a deviation.
 */
export function planAnew(state: JobState): void {
  delete state.plan;
  for (const [id, adjuster] of Object.entries(state.adjusters)) {
    const { moved, placed, ...others } = adjuster;
    const byChart = placed?.stop !== undefined && !others.locked && !others.painted;
    if (!moved && !byChart) continue;
    state.adjusters[id] = placed && !byChart ? { ...others, placed } : others;
  }
}

/**
 * Whether a plan knows nothing of what somebody began to set before the job was about something
 * else: whoever made it had not heard of that yet.
 */
export function isBlind({ stops, unserved }: KeptPlan, state: JobState): boolean {
  if (!state.scope?.kinds) return false;
  const known = new Set([...unserved, ...stops.flatMap(({ set }) => set)]);
  const unknown = Object.keys(state.adjusters).filter(
    (id) => !known.has(id) && !isInScope(state, id),
  );
  return unknown.length > 0 && unknown.some(underWay(state));
}

/** Tells of an adjuster whether it was begun and is not finished, whatever the job is about since. */
export function underWay(state: JobState): (id: string) => boolean {
  const isShimUnderWay = shimsUnderWay(state);
  return (id) => isBegun(state.adjusters[id]) || isShimUnderWay(id);
}
