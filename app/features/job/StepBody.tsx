import type { StepId } from '@longbar/core';
import { describeClosed, describeMissing, mustHangLock } from '@longbar/core';
import { Act } from '../../ui/Act';
import { Words } from '../../ui/Words';
import { StepFrame } from './frame/StepFrame';
import type { StepProps } from './model/stepProps';
import { AbleStep } from './steps/AbleStep';
import { HangLock } from './locks/HangLock';
import { CloseStep } from './steps/CloseStep';
import { FindStep } from './position/FindStep';
import { OpenStep } from './steps/OpenStep';
import { ReadyStep } from './steps/ReadyStep';
import { RoundStep } from './steps/RoundStep';
import { RunStep } from './run/RunStep';
import { ShimsStep } from './shims/ShimsStep';
import { StopStep } from './steps/StopStep';
import { TorqueStep } from './torque/TorqueStep';
import { UnableStep } from './steps/UnableStep';
import { WhyStep } from './steps/WhyStep';

const STEPS = {
  why: WhyStep,
  ready: ReadyStep,
  unable: UnableStep,
  open: OpenStep,
  torque: TorqueStep,
  find: FindStep,
  stop: StopStep,
  shims: ShimsStep,
  round: RoundStep,
  close: CloseStep,
  able: AbleStep,
  run: RunStep,
} as const;

/** Where nobody's hands go in before their own lock hangs. */
const HANDS_GO_IN: ReadonlySet<StepId> = new Set<StepId>([
  'open',
  'torque',
  'find',
  'stop',
  'shims',
  'round',
  'close',
]);

type Props = StepProps & { looking: boolean; onPresent: () => void };

/** The step itself; where it is closed, what it will be and what comes first. */
export function StepBody({ looking, onPresent, ...props }: Props) {
  const { job, step, after } = props;
  if (step.closed !== undefined) {
    return (
      <StepFrame
        job={job}
        after={after}
        act={{ label: 'Back to the present step', onPress: onPresent }}
      >
        <Words as="heading">{step.title}</Words>
        <Words>{describeClosed(step.closed)}</Words>
        <Words color="secondInk">Looking ahead. This step will ask for:</Words>
        {[...new Set(step.missing.map(describeMissing))].slice(0, 12).map((text) => (
          <Words key={text} as="note">
            · {text}
          </Words>
        ))}
      </StepFrame>
    );
  }
  const back = looking ? (
    <>
      <Act label="Back to the present step" onPress={onPresent} />
      {after}
    </>
  ) : (
    after
  );
  if (HANDS_GO_IN.has(step.id) && mustHangLock(job.setting.sheet, job.state, job.by)) {
    return <HangLock job={job} after={back} />;
  }
  const Body = STEPS[step.id];
  return <Body {...props} after={back} />;
}
