import type { Step } from '@longbar/core';
import type { ReactNode } from 'react';
import type { WorkingJob } from './workingJob';

/** What every step is given. */
export type StepProps = {
  job: WorkingJob;
  step: Step;
  wide: boolean;
  selected: string | undefined;
  onSelect: (id: string | undefined) => void;
  after?: ReactNode;
};
