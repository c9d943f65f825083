import { isAtAdjuster, isRefused } from '@longbar/core';
import type { Stop } from '@longbar/core';
import type { WorkingJob } from './workingJob';

/** Where a job is looked at. */
export type LookedAt = {
  /** The stop that is looked at, if it is one. */
  stop: Stop | undefined;
  /** What may be set where the crank stands. */
  lit: readonly string[];
  /** The adjuster whose panel is open; none while something else comes first. */
  chosen: string | undefined;
};

/** Which adjuster is worked on: the one that was tapped, else the one the instruction names. */
export function lookedAt(job: WorkingJob, viewed: number, selected: string | undefined): LookedAt {
  const { instruction, offered, plan } = job;
  const step = job.steps[viewed];
  const stops = isRefused(plan) ? [] : plan.stops;
  const stop = step?.stop === undefined ? undefined : stops[step.stop];
  // What was just read on the round stays until one goes on: its verdict is to be seen.
  const read = selected !== undefined && job.state.adjusters[selected]?.again !== undefined;
  if (step?.id === 'round' && read && job.crank.settable.has(selected)) {
    return { stop, lit: [selected], chosen: selected };
  }
  const atWork = instruction && isAtAdjuster(instruction);
  if (!atWork || viewed !== job.present) {
    // A stop that is finished while the crank still stands there can be looked through.
    const stands = stop?.set.some(({ id }) => offered.includes(id)) ?? false;
    return { stop, lit: stands ? offered : [], chosen: undefined };
  }
  const own = stops.find(({ set }) => set.some(({ id }) => id === instruction.id));
  const here = own?.set.map(({ id }) => id) ?? [];
  const held = (id: string) => here.includes(id) && job.crank.settable.has(id);
  const chosen = selected !== undefined && held(selected) ? selected : instruction.id;
  return { stop: own, lit: here.filter(held), chosen };
}
