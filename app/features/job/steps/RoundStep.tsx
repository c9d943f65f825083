import { isToReadOn, specOf, verdictOf } from '@longbar/core';
import { Act } from '../../../ui/Act';
import { Words } from '../../../ui/Words';
import { AdjusterPanel } from '../adjuster/AdjusterPanel';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import type { WorkingJob } from '../model/workingJob';
import { AtTheRockers, isAtTheRockers } from '../position/AtTheRockers';

/**
 * Once round again: what the shop's rule asks for and what was doubted read again after the
 * crank was turned, at least one of each kind, and no nut forgotten.
 */
export function RoundStep(props: StepProps) {
  const { job, step, selected, after, onSelect } = props;
  const present = job.steps[job.present] === step;
  if (present && selected !== undefined) {
    const onward = isSettled(job, selected) && (
      <Act weight="primary" label="Next" onPress={() => onSelect(undefined)} />
    );
    return <AdjusterPanel {...props} id={selected} phase="again" onward={onward} />;
  }
  if (present && isAtTheRockers(props)) return <AtTheRockers {...props} />;
  const done = job.instruction?.do === 'round';
  return (
    <StepFrame
      job={job}
      after={after}
      primary={
        done && (
          <Act
            weight="primary"
            label="The round is done"
            onPress={() => job.act({ type: 'round.done' })}
          />
        )
      }
    >
      <Words as="heading">Once round again</Words>
      <Words>
        {step.missing.length === 0
          ? 'Done: every nut has its dab, and what was read again lies inside its limits.'
          : 'Every reading that the rule asks for is taken. Look along the head once more: is there a dab on every nut?'}
      </Words>
    </StepFrame>
  );
}

/** Whether it was read again and the reading says all that is asked of it. */
function isSettled({ setting, state }: WorkingJob, id: string): boolean {
  const { again, againAccepted } = state.adjusters[id] ?? {};
  const spec = specOf(setting.sheet, id);
  if (!again || isToReadOn(setting.sheet, state, id)) return false;
  return !spec || againAccepted === true || verdictOf(spec, again) !== 'unsure';
}
