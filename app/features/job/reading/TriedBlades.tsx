import type { BladeSet, SettingSpec, SteppedBlade, Trial } from '@longbar/core';
import { tapBlade, tapStepped } from '@longbar/core';
import { triedSince } from '../../../state/openJob';
import { useAppSelector } from '../../../state/store';
import { useSame } from '../../../ui/useSame';
import { usePractisedJournal } from '../../shared/practising';
import { BladeRow } from './BladeRow';
import type { WorkingJob } from '../model/workingJob';

type Props = {
  job: WorkingJob;
  id: string;
  phase: string;
  set: BladeSet;
  spec: SettingSpec;
  thickFirst: boolean;
  /** What was tried, as the job that is drawn tells it. */
  drawn: Trial[] | undefined;
  onTry: (tried: Trial[]) => void;
};

/**
 * The blade set with what was tried. It looks at the journal itself, so that a tap is answered
 * here before the job is folded and all else is drawn anew.
 */
export function TriedBlades({ job, id, phase, set, spec, thickFirst, drawn = [], onTry }: Props) {
  const { setting, state } = job;
  const of = { adjuster: id, phase };
  const practised = usePractisedJournal();
  const tried =
    useAppSelector(({ jobs }) =>
      triedSince(practised ?? jobs.byId[setting.head.id]?.events ?? [], state.lastN, of),
    ) ?? drawn;
  // The tiles are drawn anew only where they change, so what they call must stay the same.
  const onTap = useSame((size: number) => onTry(tapBlade(tried, size)));
  return (
    <BladeRow
      {...{ set, spec, tried, thickFirst, onTap }}
      onTapLeaf={(leaf: SteppedBlade) => onTry(tapStepped(tried, leaf))}
    />
  );
}
