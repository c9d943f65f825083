import { eventWords, formatInstant, itemNames, lastDone } from '@longbar/core';
import type { ReactNode } from 'react';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';
import { StepFrame } from './StepFrame';

type Props = { job: WorkingJob; after?: ReactNode };

/** Back after a while, or taking over: whether what was known of the crank still holds. */
export function WhereWasI({ job, after }: Props) {
  const { state } = job;
  const { target, doubted } = state.crank;
  const done = lastDone(state);
  const last = done && eventWords(done, itemNames(job.setting.sheet, state));
  const seen = state.standing.findLast(({ type }) => type === 'crank.observed');
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: 'Nobody turned it: go on',
        onPress: () => job.act({ type: 'crank.held' }),
      }}
    >
      <Words as="title">{doubted === 'handed' ? 'You take over' : 'Where was I?'}</Words>
      <Words as="strong">
        {target === undefined
          ? 'The crank’s place was found.'
          : `The crank was last barred to ${Math.round(target)}°.`}
        {seen ? ` Last looked at on ${formatInstant(seen.at)}.` : ''}
      </Words>
      {last && <Words>Last done: {last}. Everything read and set is kept.</Words>}
      <Caution>
        Isolations still on and locked? Anyone may have turned it since. Where that is not certain,
        find its position anew.
      </Caution>
      <Act
        label="It may have been turned: find position"
        onPress={() => job.act({ type: 'crank.turned', degrees: null, how: 'unknown' })}
      />
    </StepFrame>
  );
}
