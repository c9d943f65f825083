import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Words } from '../../../ui/Words';
import type { Paper } from '../../shared/paper';
import { pixels, sizeOf, usualPaper } from '../../shared/paper';
import { TruePage } from '../../shared/TruePage';

const MARGIN = 8;
const LINES = [
  'Engine, serial',
  'Firing order',
  'No. 1 is at the',
  'Turns, seen from',
  'Set cold / hot, after',
  'Intake',
  'Exhaust',
  'Injector',
  'Locknut',
  'Source and its date',
];
const STOPS = 8;

/** Pocket cards to write an engine on: four to a sheet, to be cut apart. */
export function BlankCards() {
  const [paper, setPaper] = useState<Paper>(usualPaper);
  const { width, height } = sizeOf(paper);
  const card = {
    width: pixels((width - 2 * MARGIN) / 2),
    height: pixels((height - 2 * MARGIN - 2) / 2),
  };
  return (
    <TruePage
      title="Blank pocket cards"
      back="Back to the bench"
      backTo="/bench"
      paper={paper}
      onPaper={setPaper}
      pages={[
        <View key="cards" style={styles.page}>
          {[0, 1, 2, 3].map((place) => (
            <View key={place} style={[styles.card, card]}>
              <Card />
            </View>
          ))}
        </View>,
      ]}
      size={`a card is ${Math.round(width / 2 - MARGIN)} mm wide`}
    />
  );
}

function Card() {
  return (
    <>
      {LINES.map((line) => (
        <View key={line} style={styles.line}>
          <Words as="label" style={styles.ink}>
            {line}
          </Words>
          <View style={styles.blank} />
        </View>
      ))}
      <View style={styles.stops}>
        <Words as="label" style={[styles.ink, styles.at]}>
          Stop, mark
        </Words>
        <Words as="label" style={[styles.ink, styles.set]}>
          Seen there, and what is set
        </Words>
      </View>
      {Array.from({ length: STOPS }, (_, stop) => (
        <View key={stop} style={styles.stops}>
          <Words as="label" style={[styles.ink, styles.at]}>
            {stop + 1}
          </Words>
          <View style={styles.set} />
        </View>
      ))}
      <Words as="label" style={styles.ink}>
        Unable to start. Pins out before every turn. Bar out before it starts.
      </Words>
    </>
  );
}

const INK = '#000000';
const styles = StyleSheet.create({
  page: { padding: pixels(MARGIN), flexDirection: 'row', flexWrap: 'wrap' },
  card: {
    borderWidth: 0.5,
    borderStyle: 'dashed',
    borderColor: INK,
    padding: pixels(5),
    justifyContent: 'space-between',
  },
  line: { flexDirection: 'row', alignItems: 'flex-end', gap: 6 },
  blank: { flex: 1, borderBottomWidth: 0.7, borderColor: INK, height: 18 },
  stops: { flexDirection: 'row', borderBottomWidth: 0.7, borderColor: INK, minHeight: 20 },
  at: { width: pixels(22), borderRightWidth: 0.7, borderColor: INK },
  set: { flex: 1, paddingLeft: 6 },
  ink: { color: INK },
});
