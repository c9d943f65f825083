import type { Instruction } from '@longbar/core';
import { adjusterName, describeChartPlace } from '@longbar/core';
import { Caution } from '../../../ui/Caution';
import { Words } from '../../../ui/Words';
import { Reason } from '../frame/Reason';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

type Asked = Extract<Instruction, { do: 'answer'; ask: 'chart' }>;
type Props = Pick<StepProps, 'job' | 'after'> & { instruction: Asked };

/** The manual's chart has it where it may stand on its lobe: there with a reason, or elsewhere. */
export function ByTheChart({ job, after, instruction }: Props) {
  const { id, at } = instruction;
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: 'Set it where it stands farthest from its lobe',
        onPress: () => job.act({ type: 'adjuster.moved', adjuster: id }),
      }}
    >
      <Words as="title">{adjusterName(id)}</Words>
      <Words as="strong">{describeChartPlace(instruction)}</Words>
      <Words>
        The chart may hold a slip, or the sheet’s lobes may not be this engine’s. Look at the page
        before you choose.
      </Words>
      <Caution>
        A valve that is set on its lobe is set far too loose. By the chart it is not lit here, and
        the record says that you set it there.
      </Caution>
      <Reason
        label={`Set it by the chart at ${Math.round(at)}°: why`}
        given={undefined}
        onGive={(reason) => job.act({ type: 'adjuster.placed', adjuster: id, reason, stop: at })}
      />
    </StepFrame>
  );
}
