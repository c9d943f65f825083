import { barTo, isRefused, locateCrank } from '@longbar/core';
import { useMemo } from 'react';
import { useWindowDimensions } from 'react-native';
import { Act } from '../../../theme/Act';
import { space, WIDE } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import { onward, placesWords } from '../../find/findWords';
import { Locate } from '../../find/Locate';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { foundAt } from './foundAt';

/**
 * Find position by any rocker, rocking cylinder or mark: for an engine that has no marks or
 * no running mates, and for whoever stands where the mark cannot be seen.
 */
export function LocateStep({ job, after }: StepProps) {
  const { width } = useWindowDimensions();
  const { sheet } = job.setting;
  const { observations } = job.state;
  const plan = isRefused(job.plan) ? undefined : job.plan;
  const answer = useMemo(() => locateCrank(sheet, observations), [sheet, observations]);
  const intervals = isRefused(answer) ? [] : answer.intervals;
  const way = plan && barTo(plan, intervals);
  const stop = way && plan.stops[way.stop];
  // Where the thumb is, for the place itself has been scrolled out of sight by then.
  const told = stop ? onward(sheet, plan, intervals) : placesWords(intervals);
  return (
    <StepFrame
      job={job}
      after={after}
      primary={
        <>
          <Words as="strong">{told}</Words>
          <Act
            weight="primary"
            label={stop ? 'Barred there, and they agree' : 'Not narrow enough yet'}
            disabled={!stop}
            onPress={() => stop && job.act(...foundAt(stop.at))}
          />
        </>
      }
    >
      <Words as="title">Where does it stand?</Words>
      <Locate
        {...{ sheet, observations, answer }}
        width={Math.min(width, width >= WIDE ? 388 : width) - 2 * space.large}
        onObserve={(observation, back) =>
          job.act({ type: 'crank.observed', observation, ...(back && { back }) })
        }
      />
    </StepFrame>
  );
}
