import type { MachineLine } from '@longbar/core';
import { adjusterName, adjustersOf, jobSteps, presentStep } from '@longbar/core';
import type { KeptJob } from '../../state/jobs';
import { openJob } from '../../state/jobs';

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
): OpenJobLine[] {
  const own = Object.values(kept).flatMap(fromPhone);
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

function fromPhone(job: KeptJob): OpenJobLine[] {
  const { context, setting, state } = openJob(job);
  if (state.signed) return [];
  const steps = jobSteps(setting, state, new Date().toISOString());
  const place = presentStep(steps);
  const step = steps[place];
  const next = step?.id === 'stop' ? step.missing.find((id) => /^\w+\.\d/.test(id)) : undefined;
  const all = adjustersOf(setting.sheet).length;
  const done = Object.values(state.adjusters).filter(({ painted }) => painted).length;
  return [
    {
      id: context.head.id,
      machine: context.machineName,
      step: step?.title ?? '',
      place,
      of: steps.length,
      done,
      all,
      ...(next && { next: adjusterName(next) }),
    },
  ];
}
