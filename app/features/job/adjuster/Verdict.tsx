import type { AdjusterEntry, Reading, SettableEntry, Spec } from '@longbar/core';
import {
  describeReading,
  describeUnset,
  formatHours,
  measureOf,
  middleOf,
  turnsForGap,
  unitOf,
} from '@longbar/core';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { ReadingBand } from '../../../drawing/ReadingBand';
import { Caution } from '../../../theme/Caution';
import { space, WIDE } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import type { AdjusterView } from './adjusterView';
import type { WorkingJob } from '../model/useJob';
import { useHotLeft } from '../temperature/useHotLeft';

type Props = {
  job: WorkingJob;
  id: string;
  entry: AdjusterEntry & SettableEntry;
  view: AdjusterView;
};

/** What the reading says, what to do about it, and what it was left at last time. */
export function Verdict({ job, id, entry, view }: Props) {
  const { width } = useWindowDimensions();
  const band = Math.min(width, width >= WIDE ? 388 : width) - 2 * space.large;
  const { judgement, reading, offers } = view;
  const { spec } = entry;
  const measure = measureOf(entry);
  const unit = unitOf(measure);
  const before = job.context.lastLeft?.readings[id];
  const wrong = judgement && (judgement.verdict === 'tight' || judgement.verdict === 'loose');
  const state = job.state.adjusters[id];
  return (
    <View style={styles.verdict}>
      <HotWindow job={job} />
      {judgement && (
        <Words as="strong" color={wrong ? 'act' : 'ink'} role="status">
          {judgement.why}
        </Words>
      )}
      {offers === 'lock' && <Words as="note">{howToAdjust(entry, spec, reading)}</Words>}
      {offers === 'done' && reading && (
        <Words as="strong">
          Finished: {describeReading(reading)} {unit}.
        </Words>
      )}
      {state?.unset && <Words as="strong">{describeUnset(state.unset)}</Words>}
      {state?.doubted && <Words as="strong">Doubted: it is read again on the round.</Words>}
      <ReadingBand measure={measure} spec={spec} width={band} {...(reading && { reading })} />
      {before && (
        <Words as="note" color="secondInk">
          Was left at {describeReading(before)} {unit}
          {hoursAgo(job)}.
        </Words>
      )}
    </View>
  );
}

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

function hoursAgo({ context, state }: WorkingJob): string {
  const then = context.lastLeft?.hours?.hours;
  const now = state.hours?.hours;
  return then === undefined || now === undefined ? '' : `, ${formatHours(now - then)} h ago`;
}

/** Which way and about how far to turn the screw, where the sheet tells its pitch. */
function howToAdjust(entry: AdjusterEntry, spec: Spec, reading: Reading | undefined): string {
  const settle = HOW[entry.method ?? 'screw'] ?? HOW.screw;
  const middle = reading && middleOf(reading);
  if (!entry.screw || middle === undefined) return settle;
  const gap = spec.target - middle;
  const sixteenths = Math.round(Math.abs(turnsForGap(entry.screw, gap)) * 16);
  if (sixteenths === 0) return settle;
  return `${gap > 0 ? 'Back off' : 'Turn in'} about ${fraction(sixteenths)} turn. ${settle}`;
}

const HOW = {
  screw: 'Locking usually closes the gap a little.',
  eccentric: 'Loosen the clamp, turn the eccentric by its pin, clamp, read again.',
  preload: 'Pull slowly to the value, then lock.',
} as Record<string, string> & { screw: string };

function fraction(sixteenths: number): string {
  let [over, under] = [sixteenths, 16];
  while (over % 2 === 0 && under > 1) [over, under] = [over / 2, under / 2];
  return under === 1 ? String(over) : `${over}/${under}`;
}

const styles = StyleSheet.create({ verdict: { gap: 6 } });
