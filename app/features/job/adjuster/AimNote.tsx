import type { JobAct } from '@longbar/core';
import { aimAt, aimWords, formatSetting, specOf } from '@longbar/core';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';
import type { AdjusterView } from './adjusterView';
import { isBeingSet } from './adjusterView';

type Props = {
  job: WorkingJob;
  id: string;
  view: AdjusterView;
  /** Something about it is to be looked into first. */
  suspect: boolean;
  act: (...acts: JobAct[]) => void;
};

/** Where it drifts one way: what it could be set to, the sum behind that, and the way back. */
export function AimNote({ job, id, view, suspect, act }: Props) {
  const spec = specOf(job.setting.sheet, id);
  const aim = isBeingSet(view) ? aimAt(job.setting, job.state, id) : undefined;
  if (!aim || !spec) return null;
  const other = aim.inForce
    ? { to: 'maker' as const, label: `Set to the maker’s target, ${shown(spec.target)}` }
    : { to: 'aim' as const, label: `Set to ${shown(aim.setting)} instead` };
  return (
    <Stack gap={8}>
      <Words as="note">
        {aimWords(aim, spec, aim.rate)}
        {suspect && ' Setting it so mends nothing: look first why it drifts.'}
      </Words>
      <Act
        label={other.label}
        onPress={() => act({ type: 'aim.chosen', adjuster: id, to: other.to })}
      />
    </Stack>
  );
}

function shown(gap: number): string {
  return formatSetting('lash', gap);
}
