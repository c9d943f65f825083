import type { BladeSet, JobAct, Reading, Trial } from '@longbar/core';
import { entryOf, isRefused, measureOf, readByFork } from '@longbar/core';
import type { WorkingJob } from '../model/workingJob';

export type Phase = 'found' | 'set' | 'left' | 'again';
type Of = { id: string; phase: Phase; set: BladeSet };

/** The acts of one reading; a forked blade reads both valves of a bridge at once. */
export function readingActs(
  { setting, plan, state }: Pick<WorkingJob, 'setting' | 'plan' | 'state'>,
  { id, phase, set }: Of,
  reading: Reading,
  tried?: Trial[],
): JobAct[] {
  const entry = entryOf(setting.sheet, id);
  const forked = set.forked && entry && measureOf(entry) === 'lash' && !isRefused(plan);
  const both = forked ? readByFork(state, plan, id, phase) : [id];
  return both.map((adjuster) => ({
    type: 'reading.taken',
    adjuster,
    phase,
    reading,
    ...(tried && { tried, bladeSet: set.name }),
  }));
}
