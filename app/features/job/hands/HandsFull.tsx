import type { BladeSet } from '@longbar/core';
import {
  OTHER_LENGTH_UNIT,
  formatLength,
  formatLengthAlone,
  formatStack,
  markedIn,
  mayBePedalled,
  readingFromTrials,
  tapBlade,
} from '@longbar/core';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { usePrimary } from '../../../ui/primary';
import { Caution } from '../../../ui/Caution';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';
import { readingActs } from '../reading/takeReading';
import { sayAloud } from '../reading/speech';
import { useBladeSet } from '../reading/useBladeSet';
import type { BladeAsked } from './bladeAsked';
import { bladeAsked } from './bladeAsked';
import { usePedal } from './usePedal';
import { Zone } from './Zone';

type Props = { job: WorkingJob; onClose: () => void };
const NO_BLADES: BladeSet = { name: '', unit: 'mm', blades: [] };

/**
 * The job by zones of the screen, for a knuckle, an elbow or three keys: left is 'stops', right is
 * 'enters', and the primary button of the step lies below. What is done by hand only leads back.
 */
export function HandsFull({ job, onClose }: Props) {
  const tokens = useTokens();
  const primary = usePrimary();
  const set = useBladeSet(job.context.shop.bladeSets) ?? NO_BLADES;
  const asked = bladeAsked(job, set);
  const may = mayBePedalled(job.instruction);
  const answer = (enters: boolean) => {
    if (!asked) return;
    const tried = triedWith(asked, enters);
    job.act(...readingActs(job, { ...asked, set }, readingFromTrials(tried), tried));
  };
  const words = [job.says?.what, job.says?.detail].filter(Boolean).join('. ');
  const keys = useMemo(
    () => ({
      onPrimary: () => (asked ? answer(true) : may && primary?.press()),
      onPrevious: () => (asked ? answer(false) : job.undo()),
      onAgain: () => sayAloud(asked ? bladeWords(asked, set) : words),
    }),
    // Each drawing has its own job and blade: the keys answer to what is shown.
    // oxlint-disable-next-line react/exhaustive-deps
    [job, primary, may, set, words],
  );
  usePedal(keys);
  return (
    <View
      role="region"
      aria-label="Hands full"
      style={[styles.view, { backgroundColor: tokens.ground }]}
    >
      <View style={styles.says}>
        <Words as="title" style={styles.centred} role="status">
          {job.says?.what ?? 'The job is signed'}
        </Words>
        {job.says?.detail !== undefined && <Words style={styles.centred}>{job.says.detail}</Words>}
        {asked && <Blade asked={asked} set={set} />}
        {job.instruction?.do === 'bar' && (
          <Caution>
            Pins out before the turn, fingers clear of the rockers while anyone turns.
          </Caution>
        )}
      </View>
      {asked && (
        <View style={styles.row}>
          <Zone
            label="Stops"
            name={`${bladeWords(asked, set)} stops`}
            onPress={() => answer(false)}
          />
          <Zone
            label="Enters"
            name={`${bladeWords(asked, set)} enters`}
            onPress={() => answer(true)}
          />
        </View>
      )}
      {!asked && may && primary && (
        <View style={styles.row}>
          <Zone weight="primary" label={primary.label} onPress={primary.press} />
        </View>
      )}
      {!asked && !(may && primary) && (
        <Words as="heading" style={styles.centred}>
          This is done by hand, on the screen behind.
        </Words>
      )}
      <View style={styles.low}>
        <Zone label="Undo" name="Undo the last of mine" onPress={job.undo} />
        <Zone label="Say it" name="Say it aloud again" onPress={keys.onAgain} />
        <Zone label="Close" name="Close the view for full hands" onPress={onClose} />
      </View>
    </View>
  );
}

/** What was tried, and now this blade. */
function triedWith({ tried, blade }: BladeAsked, enters: boolean) {
  const once = tapBlade(tried, blade.size);
  // A blade is tapped once where it enters and twice where it stops.
  return enters ? once : tapBlade(once, blade.size);
}

function bladeWords({ blade: { size, of } }: BladeAsked, set: BladeSet): string {
  const unit = markedIn(set);
  if (!of) return formatLength(size, unit);
  return `${of.map((one) => formatLengthAlone(one, unit)).join(' and ')} ${unit} together`;
}

function Blade({ asked, set }: { asked: BladeAsked; set: BladeSet }) {
  const { size, of } = asked.blade;
  const unit = markedIn(set);
  return (
    <View style={styles.blade}>
      <Words as="blade" style={styles.figure}>
        {formatLengthAlone(size, unit)}
      </Words>
      <Words as="heading" color="secondInk">
        {unit} · {formatLength(size, OTHER_LENGTH_UNIT[unit])}
        {of ? ` · ${formatStack(of, unit)}` : ''}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  view: {
    position: 'absolute',
    inset: 0,
    padding: space.large,
    gap: space.medium,
    zIndex: 10,
  },
  says: { flex: 2, gap: space.small, justifyContent: 'center' },
  centred: { textAlign: 'center' },
  blade: { alignItems: 'center' },
  figure: { fontSize: 104, lineHeight: 108 },
  row: { flex: 2, flexDirection: 'row', gap: space.medium },
  low: { minHeight: 96, flexDirection: 'row', gap: space.medium },
});
