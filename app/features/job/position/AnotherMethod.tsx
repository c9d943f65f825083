import { methodOf } from '@longbar/core';
import { Words } from '../../../ui/Words';
import { MethodChoice } from '../../shared/MethodChoice';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

type Props = Pick<StepProps, 'job' | 'after'> & { why: string };

/** The method of the job cannot be done on this engine: another is chosen. */
export function AnotherMethod({ job, after, why }: Props) {
  return (
    <StepFrame job={job} after={after}>
      <Words as="title">Choose another method</Words>
      <Words as="strong" color="stop">
        {why}
      </Words>
      <MethodChoice
        sheet={job.setting.sheet}
        chosen={methodOf(job.setting, job.state)}
        onChoose={(method) => job.act({ type: 'method.changed', method })}
      />
    </StepFrame>
  );
}
