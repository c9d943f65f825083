import { mayBePedalled } from '@longbar/core';
import { useMemo } from 'react';
import { usePrimary } from '../../../ui/primary';
import type { WorkingJob } from '../model/workingJob';
import { sayAloud } from '../reading/speech';
import { usePedal } from './usePedal';

type Props = { job: WorkingJob; viewed: number; onView: (place: number) => void };

/** A pedal or a remote at the ordinary screen: the primary act, what came before, said again. */
export function PedalKeys({ job, viewed, onView }: Props) {
  const primary = usePrimary();
  const { instruction, present, says } = job;
  const keys = useMemo(
    () => ({
      onPrimary: () => {
        if (viewed !== present) onView(present);
        else if (mayBePedalled(instruction)) primary?.press();
      },
      onPrevious: () => onView(Math.max(0, viewed - 1)),
      onAgain: () => sayAloud([says?.what, says?.detail].filter(Boolean).join('. ')),
    }),
    [viewed, present, onView, instruction, primary, says],
  );
  usePedal(keys);
  return null;
}
