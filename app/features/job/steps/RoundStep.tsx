import { isRefused, isUnread, ROUND_DONE } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../theme/Act';
import { AdjusterPanel } from '../adjuster/AdjusterPanel';
import type { StepProps } from '../model/stepProps';
import { BarTo } from '../position/BarTo';

/**
 * Once round again: every stop reached once more, what the shop's rule asks for and what was
 * doubted read again, and no nut forgotten.
 */
export function RoundStep(props: StepProps) {
  const { job, step, selected } = props;
  const [leaving, setLeaving] = useState<number>();
  if (isRefused(job.plan)) return null;
  const { stops } = job.plan;
  const { lastStop } = job.state;
  const at = lastStop?.round ? lastStop.stop : undefined;
  const to = at === undefined ? 0 : leaving === at ? at + 1 : undefined;
  const next = to === undefined ? undefined : stops[to];
  if (to !== undefined && next) return <BarTo {...props} stop={next} place={to} round />;
  const stop = at === undefined ? undefined : stops[at];
  if (at === undefined || !stop || selected === undefined) return null;
  const unread = stop.set.filter(({ id }) => isUnread(job.setting, job.state, stop, id));
  const read = unread.length === 0;
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
      weight={read ? 'primary' : 'plain'}
      label={`On to stop ${at + 2} again`}
      disabled={!read}
      onPress={() => setLeaving(at)}
    />
  );
  return <AdjusterPanel {...props} id={selected} phase="again" onward={onward} />;
}
