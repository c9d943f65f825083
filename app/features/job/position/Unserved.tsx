import type { Instruction } from '@longbar/core';
import { adjusterName } from '@longbar/core';
import { Caution } from '../../../ui/Caution';
import { Words } from '../../../ui/Words';
import { Reason } from '../frame/Reason';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

type Asked = Extract<Instruction, { do: 'answer'; ask: 'unserved' }>;
type Props = Pick<StepProps, 'job' | 'after'> & { instruction: Asked };

/** No stop serves it, or it has no figure: it stays unset, or a person states its place. */
export function Unserved({ job, after, instruction }: Props) {
  const { id, why, mayPlace } = instruction;
  const name = adjusterName(id);
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        weight: 'stop',
        label: `${name} stays unset today`,
        onPress: () => job.act({ type: 'adjuster.unset', adjuster: id, reason: 'no-place' }),
      }}
    >
      <Words as="title">{name}</Words>
      <Words as="strong">
        {why === 'no-stop'
          ? 'No stop of this plan serves it: no mark and no valve’s lowest point tells where it may be set.'
          : 'The sheet holds no figure to set it to.'}
      </Words>
      <Words>
        It can stay unset: the job is then closed as incomplete, and it stays due.
        {mayPlace
          ? ' Or a person who has the manual at hand sets it now: where the crank stands, or where they bar it to first. Once the crank is turned on, it is asked anew.'
          : ''}
      </Words>
      {mayPlace && (
        <>
          <Caution>
            Set by hand, Long Bar cannot tell that this valve is off its lobe. The record says that
            you placed it.
          </Caution>
          <Reason
            label="Set it here by the manual: on which page"
            given={undefined}
            onGive={(reason) => job.act({ type: 'adjuster.placed', adjuster: id, reason })}
          />
          <Reason
            label="Barred to where the manual sets it: where, and on which page"
            given={undefined}
            onGive={(reason) =>
              job.act(
                { type: 'crank.turned', degrees: null, how: 'unknown' },
                { type: 'adjuster.placed', adjuster: id, reason },
              )
            }
          />
        </>
      )}
    </StepFrame>
  );
}
