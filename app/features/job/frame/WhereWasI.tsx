import { formatInstant, isRefused } from '@longbar/core';
import { Act } from '../../../theme/Act';
import { Caution } from '../../../theme/Caution';
import { Words } from '../../../theme/Words';
import { StepFrame } from './StepFrame';
import type { WorkingJob } from '../model/useJob';

/** So long away that somebody may have turned the crank meanwhile, ms. */
const LONG_AWAY = 10 * 60_000;

/** Whether the job was left at a stop for so long that its place is asked for again. */
export function wasLeft({ state, steps, present }: WorkingJob): boolean {
  const last = state.standing[state.standing.length - 1];
  const atWork = ['stop', 'shims', 'round'].includes(steps[present]?.id ?? '');
  return atWork && last !== undefined && Date.now() - Date.parse(last.at) > LONG_AWAY;
}

type Props = { job: WorkingJob; onGoOn: () => void };

/** Back after a while: where the crank was last known to stand, and whether that still holds. */
export function WhereWasI({ job, onGoOn }: Props) {
  const { plan, state, steps, present } = job;
  const { lastStop } = state;
  const stop = lastStop && !isRefused(plan) ? plan.stops[lastStop.stop] : undefined;
  return (
    <StepFrame job={job} act={{ label: 'It has not moved: go on', onPress: onGoOn }}>
      <Words as="title">Where was I?</Words>
      <Words as="strong">
        {stop && lastStop
          ? `At stop ${lastStop.stop + 1}, ${Math.round(stop.at)}°${stop.mark ? `, mark ${stop.mark}` : ''}, on ${formatInstant(lastStop.at)}.`
          : 'The crank’s place was found, no stop reached yet.'}
      </Words>
      <Words>Next: {steps[present]?.title}. Everything read and set is kept.</Words>
      <Caution>
        Isolations still on and locked? Anyone may have turned it since. Where that is not certain,
        find its position anew.
      </Caution>
      <Act
        label="It may have been turned: find position"
        onPress={() => {
          job.act({ type: 'position.lost' });
          onGoOn();
        }}
      />
    </StepFrame>
  );
}
