import type { AdjusterEntry, SettableEntry } from '@longbar/core';
import {
  adviceToAdjust,
  describeApart,
  describeUnset,
  formatHours,
  hoursOf,
  hoursSince,
  measureOf,
  readAt,
  readingWithUnit,
} from '@longbar/core';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { ReadingBand } from '../../../drawing/ReadingBand';
import { Caution } from '../../../ui/Caution';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { useJobLayout } from '../frame/useJobLayout';
import type { AdjusterView } from './adjusterView';
import type { WorkingJob } from '../model/workingJob';
import { useHotLeft } from '../temperature/useHotLeft';

type Props = {
  job: WorkingJob;
  id: string;
  entry: AdjusterEntry & SettableEntry;
  view: AdjusterView;
  /** Whether a question about the reading is open: nothing is turned before it is answered. */
  asked: boolean;
  /** What else is to be decided by it. */
  children?: ReactNode;
};

/** What the reading says, what to do about it, and what it was left at last time. */
export function Verdict({ job, id, entry, view, asked, children }: Props) {
  const band = useJobLayout().panel - 2 * space.large;
  const { judgement, reading, offers } = view;
  const { spec, marked } = entry;
  const measure = measureOf(entry);
  const before = job.context.lastLeft?.readings[id];
  const wrong = judgement && (judgement.verdict === 'tight' || judgement.verdict === 'loose');
  const state = job.state.adjusters[id];
  return (
    <View style={styles.verdict}>
      <HotWindow job={job} />
      {judgement && (
        <Words as="strong" color={wrong ? 'act' : 'ink'} role="status">
          {asked ? judgement.says : judgement.why}
        </Words>
      )}
      {state?.apart && <Words as="strong">{describeApart(entry.method)}</Words>}
      {offers === 'lock' && !judgement && !state?.apart && (
        <Words as="strong">{state?.off ? OFF : LOOSENED}</Words>
      )}
      {offers === 'lock' && !asked && (
        <Words as="note">{adviceToAdjust(entry, spec, reading)}</Words>
      )}
      {children}
      {offers === 'done' && reading && (
        <Words as="strong">Finished: {readingWithUnit(measure, reading, marked)}.</Words>
      )}
      {state?.fitted === null && !state.unset && <Words as="strong">{STAND_IN}</Words>}
      {state?.unset && <Words as="strong">It {describeUnset(state.unset)}</Words>}
      {state?.doubted && <Words as="strong">Doubted: it is read again on the round.</Words>}
      <ReadingBand {...{ measure, spec, marked }} width={band} {...(reading && { reading })} />
      {before && (
        <Words as="note" color="secondInk">
          Was left at {readingWithUnit(measure, before, marked)}
          {hoursAgo(job, id)}.
        </Words>
      )}
    </View>
  );
}

const OFF = 'It was off or backed off: set it, lock it and read it.';
const LOOSENED = 'Its nut was loosened: set it, lock it and read it.';

const STAND_IN = 'A stand-in is in it: nothing is read before its shim is fitted.';

/** A hot engine cools: how long its figures still hold. */
function HotWindow({ job }: Pick<Props, 'job'>) {
  const left = useHotLeft(job);
  if (left === undefined) return null;
  if (left > 0) return <Words as="note">Hot figures hold for {left} min yet.</Words>;
  return (
    <Caution>
      The hot window is over: what is read now is not its hot lash. Run it hot again, and say so
      under Ready.
    </Caution>
  );
}

function hoursAgo({ context, state }: WorkingJob, id: string): string {
  const { hours, earlier } = context.lastLeft ?? {};
  const then = earlier?.[id] ?? hours;
  const own = hoursOf(context, state);
  const ran = then && own && hoursSince(context, then, readAt(own));
  return typeof ran === 'number' ? `, ${formatHours(ran)} h ago` : '';
}

const styles = StyleSheet.create({ verdict: { gap: 6 } });
