import type { StandsAt } from '@longbar/core';
import { adjustersOf, isAskedOf } from '@longbar/core';
import { useEffect, useMemo } from 'react';
import type { KeptJob } from '../../state/jobs';
import { goesOn } from '../../state/jobs';
import { useAppSelector } from '../../state/store';
import { workingJob } from '../job/model/workingJob';
import type { OpenJobLine } from './openJobs';

type Props = { onRead: (lines: readonly OpenJobLine[]) => void };

/** Tells where the jobs in progress on this phone stand, by their journals. It draws nothing. */
export function KeptJobsRead({ onRead }: Props) {
  const kept = useAppSelector((state) => state.jobs.byId);
  const standsAt = useAppSelector((state) => state.preferences.standsAt);
  const by = useAppSelector(({ preferences }) => preferences.name);
  const open = useMemo(
    () =>
      Object.values(kept)
        .filter(goesOn)
        .map((job) => lineOf(job, by, standsAt)),
    [kept, by, standsAt],
  );
  useEffect(() => onRead(open), [onRead, open]);
  return null;
}

function lineOf(job: KeptJob, by: string, standsAt: StandsAt | null): OpenJobLine {
  const now = new Date().toISOString();
  const { context, setting, state, steps, present, says } = workingJob(job, now, by, standsAt);
  const asked = adjustersOf(setting.sheet).filter(({ id, entry }) => isAskedOf(entry, state, id));
  return {
    id: context.head.id,
    machine: context.machineName,
    stands: {
      step: steps[present]?.title ?? '',
      place: present,
      of: steps.length,
      done: asked.filter(({ id }) => state.adjusters[id]?.painted).length,
      all: asked.length,
      ...(says && { next: says.what }),
    },
  };
}
