import { isRefused, ROUND_DONE } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../theme/Act';
import { AdjusterPanel } from '../AdjusterPanel';
import type { StepProps } from '../stepProps';
import { BarTo } from './BarTo';

/**
 * Once round again: every stop reached once more, at least its first adjuster read again,
 * and no nut forgotten.
 */
export function RoundStep(props: StepProps) {
  const { job, step, selected } = props;
  const [leaving, setLeaving] = useState<number>();
  if (isRefused(job.plan)) return null;
  const { stops } = job.plan;
  const { lastStop, adjusters } = job.state;
  const at = lastStop?.round ? lastStop.stop : undefined;
  const to = at === undefined ? 0 : leaving === at ? at + 1 : undefined;
  const next = to === undefined ? undefined : stops[to];
  if (to !== undefined && next) return <BarTo {...props} stop={next} place={to} round />;
  const stop = at === undefined ? undefined : stops[at];
  if (at === undefined || !stop || selected === undefined) return null;
  const firstRead = adjusters[stop.set[0]?.id ?? '']?.again !== undefined;
  const last = at === stops.length - 1;
  const onlyDone = step.missing.length === 1 && step.missing[0] === ROUND_DONE;
  const onward = last ? (
    <Act
      weight={onlyDone ? 'primary' : 'plain'}
      label="The round is done"
      disabled={!onlyDone}
      onPress={() => job.act({ type: 'round.done' })}
    />
  ) : (
    <Act
      weight={firstRead ? 'primary' : 'plain'}
      label={`On to stop ${at + 2} again`}
      disabled={!firstRead}
      onPress={() => setLeaving(at)}
    />
  );
  return <AdjusterPanel {...props} id={selected} phase="again" onward={onward} />;
}
