import { opensAgain } from '@longbar/core';
import { Words } from '../../../ui/Words';
import type { StepProps } from '../model/stepProps';

/** Why what is closed already is opened again, where it is. */
export function OpensAgain({ job }: Pick<StepProps, 'job'>) {
  if (!opensAgain(job.setting, job.state)) return null;
  return (
    <Words as="strong" color="act">
      It was closed already, and something is to be read or set that was not before: it can be set
      after all, or another data tag has other figures. What closing up asks for is asked again.
    </Words>
  );
}
