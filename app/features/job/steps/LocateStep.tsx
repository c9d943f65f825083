import { barTo, isRefused, locateCrank } from '@longbar/core';
import { useWindowDimensions } from 'react-native';
import { Act } from '../../../theme/Act';
import { space, WIDE } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import { Locate } from '../../find/Locate';
import { StepFrame } from '../StepFrame';
import type { StepProps } from '../stepProps';

/**
 * Find position by any rocker, rocking cylinder or mark: for an engine that has no marks or
 * no running mates, and for whoever stands where the mark cannot be seen.
 */
export function LocateStep({ job, after }: StepProps) {
  const { width } = useWindowDimensions();
  const { sheet } = job.setting;
  const { observations } = job.state;
  const plan = isRefused(job.plan) ? undefined : job.plan;
  const answer = locateCrank(sheet, observations);
  const way = plan && !isRefused(answer) ? barTo(plan, answer.intervals) : undefined;
  const stop = way && plan?.stops[way.stop];
  const goOn = () => {
    if (!stop) return;
    job.act(
      { type: 'position.found', angle: stop.at },
      { type: 'stop.reached', stop: 0, round: false },
    );
  };
  return (
    <StepFrame
      job={job}
      after={after}
      primary={
        <Act
          weight="primary"
          label={stop ? 'Barred there, and they agree' : 'Not narrow enough yet'}
          disabled={!stop}
          onPress={goOn}
        />
      }
    >
      <Words as="title">Where does it stand?</Words>
      <Locate
        {...{ sheet, plan, observations }}
        width={Math.min(width, width >= WIDE ? 388 : width) - 2 * space.large}
        onObserve={(observation, back) =>
          job.act({ type: 'crank.observed', observation, ...(back && { back }) })
        }
      />
    </StepFrame>
  );
}
