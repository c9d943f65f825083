import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';

const KEYS: [key: string, does: string][] = [
  ['Arrows', 'move over the map, from rocker to rocker'],
  ['Enter', 'opens the rocker, presses the button in focus'],
  ['Digits', 'type a reading: 0.30 0.35 and Enter'],
  ['Tab', 'goes on to the next button'],
  ['Space', 'ticks what is ticked: Enter never does'],
  ['Page Down', 'or a pedal: records the one thing to do now, at the crank and the rockers only'],
  ['Page Up', 'looks at the step before'],
  ['↑ ↓', 'outside the map: say it aloud again'],
  ['?', 'shows and hides these keys'],
];

/** The keys of the job and what is to be done now, on `?`. */
export function KeysHelp({ job: { says } }: { job: WorkingJob }) {
  const tokens = useTokens();
  const [shown, setShown] = useState(false);
  useEffect(() => {
    const ask = (event: KeyboardEvent) => {
      const { target } = event;
      if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) return;
      if (event.key === '?') setShown((now) => !now);
      if (event.key === 'Escape') setShown(false);
    };
    document.addEventListener('keydown', ask);
    return () => document.removeEventListener('keydown', ask);
  }, []);
  if (!shown) return null;
  return (
    <View
      role="dialog"
      aria-label="Keys"
      style={[styles.card, { backgroundColor: tokens.sheet, borderColor: tokens.ink }]}
    >
      <Words as="heading">Keys</Words>
      {says && <Words>Now: {says.what}</Words>}
      {KEYS.map(([key, does]) => (
        <View key={key} style={styles.row}>
          <Words as="strong" style={styles.key}>
            {key}
          </Words>
          <Words style={styles.does}>{does}</Words>
        </View>
      ))}
      <Act label="Close" onPress={() => setShown(false)} />
    </View>
  );
}

const styles = StyleSheet.create({
  card: {
    position: 'absolute',
    left: space.huge,
    bottom: space.huge,
    width: 440,
    maxWidth: '90%',
    padding: space.large,
    gap: space.small,
    borderWidth: 2,
    borderRadius: 12,
  },
  row: { flexDirection: 'row', gap: space.medium },
  key: { width: 80 },
  does: { flex: 1 },
});
