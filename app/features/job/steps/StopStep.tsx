import { isRefused, standsAt } from '@longbar/core';
import { Words } from '../../../theme/Words';
import { AdjusterPanel } from '../adjuster/AdjusterPanel';
import { setHere } from '../engine/JobOverview';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { BarTo } from '../position/BarTo';

/** A stop: the way there, then each adjuster set here. */
export function StopStep(props: StepProps) {
  const { job, step, selected } = props;
  const place = step.stop ?? 0;
  const stop = isRefused(job.plan) ? undefined : job.plan.stops[place];
  if (!stop) return null;
  const { state } = job;
  if (!state.reached.includes(place))
    return <BarTo {...props} stop={stop} place={place} round={false} />;
  if (!standsAt(state, place) || selected === undefined) {
    return (
      <StepFrame job={job} after={props.after}>
        <Words as="heading">{step.title}</Words>
        <Words>{setHere(stop)}</Words>
        <Words color="secondInk">
          The crank has moved on. Go once round again to read these anew.
        </Words>
      </StepFrame>
    );
  }
  return <AdjusterPanel {...props} id={selected} phase="found" />;
}
