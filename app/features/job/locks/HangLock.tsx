import { formatInstant, hanging } from '@longbar/core';
import type { ReactNode } from 'react';
import { Caution } from '../../../ui/Caution';
import { Words } from '../../../ui/Words';
import { StepFrame } from '../frame/StepFrame';
import type { WorkingJob } from '../model/workingJob';

/** Before a person's hands go in: their own lock. */
export function HangLock({ job, after }: { job: WorkingJob; after?: ReactNode }) {
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        byHand: true,
        label: `${job.by}: my own lock hangs`,
        onPress: () => job.act({ type: 'lock.hung' }),
      }}
    >
      <Words as="heading">{job.by}, hang your own lock</Words>
      <Caution>
        {`${heldWords(job)} Hang your own before your hands go in, then tap below.`}
      </Caution>
      <LocksHanging job={job} />
    </StepFrame>
  );
}

function heldWords({ state }: WorkingJob): string {
  return hanging(state).length === 0
    ? 'No lock holds the engine now.'
    : 'The engine is held by the locks of others, and they may take them off.';
}

/** Whose locks hang, and since when. */
export function LocksHanging({ job, but }: { job: WorkingJob; but?: string }) {
  const others = hanging(job.state).filter(({ person }) => person !== but);
  return others.map(({ person, hung }) => (
    <Words key={person} color="secondInk">
      {person}’s lock hangs since {formatInstant(hung)}.
    </Words>
  ));
}
