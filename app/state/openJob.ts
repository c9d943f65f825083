import type { EventOf, FoldedJob, JobAct, JobEvent, Trial } from '@longbar/core';
import { begunOf, dueActs, foldOn, knownTo, settingOf } from '@longbar/core';
import { createSelector } from '@reduxjs/toolkit';
import type { KeptJob } from './jobs';

/**
 * The blades tried for a reading, where the journal tells it alone: what came after `lastN` is
 * looked at and nothing folded. Undefined where the job as it is drawn knows as much or better.
 */
export function triedSince(
  events: readonly JobEvent[],
  lastN: number,
  { adjuster, phase }: { adjuster: string; phase: string },
): Trial[] | undefined {
  const fresh = events.filter(({ n }) => n > lastN).sort((a, b) => a.n - b.n);
  const read = (event: JobEvent): event is EventOf<'reading.taken'> =>
    event.type === 'reading.taken' && event.adjuster === adjuster && event.phase === phase;
  return fresh.every(read) ? fresh.at(-1)?.tried : undefined;
}

/** One job as it stands: its setting and the fold of its journal. */
export const openJob = createSelector([(job: KeptJob) => job], ({ context, events }) => {
  const { id } = context.head;
  const job = foldOn(folded.get(id), events, context.late);
  folded.set(id, job);
  return { context, setting: settingOf(begunOf(context), job.state), state: job.state };
});

/** Each job's last fold, from which the next tap's goes on. */
const folded = new Map<string, FoldedJob>();

/** What a phone writes down by itself in this job now. */
export function dueOf(kept: KeptJob): JobAct[] {
  const { setting, state } = openJob(kept);
  return dueActs(setting, state);
}

/** What an act names of the journal as this phone knows it. */
export function knownHere(kept: KeptJob, act: JobAct): ReturnType<typeof knownTo> {
  return knownTo(openJob(kept).state, act);
}
