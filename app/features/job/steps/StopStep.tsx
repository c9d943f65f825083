import { isRefused } from '@longbar/core';
import { Words } from '../../../ui/Words';
import { AdjusterPanel } from '../adjuster/AdjusterPanel';
import { setHere } from '../engine/JobOverview';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { AtTheRockers, isAtTheRockers } from '../position/AtTheRockers';

/** A stop: the way there, its rockers felt, then each adjuster set here. */
export function StopStep(props: StepProps) {
  const { job, step, selected } = props;
  const present = job.steps[job.present] === step;
  const stop = isRefused(job.plan) ? undefined : job.plan.stops[step.stop ?? 0];
  if (!stop) return null;
  if (present && isAtTheRockers(props)) return <AtTheRockers {...props} />;
  if (selected !== undefined) {
    // Found outside its limits on the round it is set here, and read by the same blades.
    const { painted, again } = job.state.adjusters[selected] ?? {};
    const phase = painted && again ? 'again' : 'found';
    return <AdjusterPanel {...props} id={selected} phase={phase} />;
  }
  return (
    <StepFrame job={job} after={props.after}>
      <Words as="heading">{step.title}</Words>
      <Words>{setHere(stop)}</Words>
      <Words color="secondInk">
        {step.missing.length === 0
          ? 'Finished. The crank has moved on: the round reads again what it must.'
          : 'The crank does not stand here: it is barred to when its turn comes.'}
      </Words>
    </StepFrame>
  );
}
