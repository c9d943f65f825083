import type { MachineLine, StandsAt } from '@longbar/core';
import { adjustersOf, isAskedOf } from '@longbar/core';
import type { KeptJob } from '../../state/jobs';
import { openJob } from '../../state/jobs';
import { workingJob } from '../job/model/workingJob';

/** A job in progress as its card shows it. */
export type OpenJobLine = {
  id: string;
  machine: string;
  step: string;
  place: number;
  of: number;
  done: number;
  all: number;
  next?: string;
};

/** Jobs in progress: as this phone has them, else as the server tells. */
export function openJobs(
  kept: Record<string, KeptJob>,
  machines: readonly MachineLine[],
  by: string,
  standsAt: StandsAt | null,
): OpenJobLine[] {
  const own = Object.values(kept).flatMap((job) => fromPhone(job, by, standsAt));
  const others = machines.flatMap(({ name, jobs: { open } }): OpenJobLine[] => {
    if (!open || kept[open.id]) return [];
    const { step, set } = open.summary;
    if (!step) return [];
    return [
      {
        id: open.id,
        machine: name,
        step: step.title,
        place: step.place,
        of: step.of,
        done: set.done,
        all: set.of,
      },
    ];
  });
  return [...own, ...others];
}

function fromPhone(job: KeptJob, by: string, standsAt: StandsAt | null): OpenJobLine[] {
  const { signed, abandoned } = openJob(job).state;
  if (signed || abandoned) return [];
  const {
    context,
    setting,
    state,
    steps,
    present: place,
    says,
  } = workingJob(job, new Date().toISOString(), by, standsAt);
  const step = steps[place];
  const asked = adjustersOf(setting.sheet).filter(({ id, entry }) => isAskedOf(entry, state, id));
  const done = asked.filter(({ id }) => state.adjusters[id]?.painted).length;
  return [
    {
      id: context.head.id,
      machine: context.machineName,
      step: step?.title ?? '',
      place,
      of: steps.length,
      done,
      all: asked.length,
      ...(says && { next: says.what }),
    },
  ];
}
