import type { BladeSet, SettingSpec, SteppedBlade, Trial } from '@longbar/core';
import { tapBlade, tapStepped } from '@longbar/core';
import { useLayoutEffect, useState } from 'react';
import { triedSince } from '../../../state/openJob';
import { useAppStore } from '../../../state/store';
import { Telling } from '../../../state/telling';
import type { Told } from '../../../ui/useAfterPaint';
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

/** The blade set with what was tried. What its tiles call stays the same: they are not drawn anew. */
export function TriedBlades({ job, id, phase, set, spec, thickFirst, drawn = [], onTry }: Props) {
  const tried = useTried(job, { adjuster: id, phase }, drawn);
  const onTap = useSame((size: number) => onTry(tapBlade(tried.read(), size)));
  const onTapLeaf = useSame((leaf: SteppedBlade) => onTry(tapStepped(tried.read(), leaf)));
  return <BladeRow {...{ set, spec, tried, thickFirst, onTap, onTapLeaf }} />;
}

/**
 * What was tried at an adjuster, told as soon as it is in the journal: a tap is answered by its tile
 * before the job is folded and all else is drawn anew.
 */
function useTried(
  { setting, state }: WorkingJob,
  of: { adjuster: string; phase: string },
  drawn: readonly Trial[],
): Told<readonly Trial[]> {
  const store = useAppStore();
  const { id } = setting.head;
  const { subscribe, read: events } = usePractisedJournal() ?? {
    subscribe: store.subscribe,
    read: () => store.getState().jobs.byId[id]?.events ?? [],
  };
  const read = () => triedSince(events(), state.lastN, of) ?? drawn;
  const [told] = useState(() => new Telling(read()));
  const look = useSame(() => told.change(read()));
  // The job that is drawn may know better by now, as where something was undone.
  useLayoutEffect(look);
  useLayoutEffect(() => subscribe(look), [subscribe, look]);
  return told;
}
