import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Paper } from '../shared/paper';
import { PAPERS, pixels } from '../shared/paper';
import type { LabelFormat } from './labelFormats';
import { sheetsOf } from './labelFormats';

/** The sheets that the labels take; `skip` places of the first are used up. */
export function labelSheets(
  labels: readonly ReactNode[],
  { paper, format, skip }: { paper: Paper; format: LabelFormat; skip: number },
): ReactNode[] {
  return sheetsOf(labels.length, skip, format).map((places, sheet) => (
    <View key={sheet} style={[styles.grid, insetsOf(format, paper)]}>
      {places.map((label, place) => (
        <View key={place} style={[styles.place, placeSize(format)]}>
          {label !== null && labels[label]}
        </View>
      ))}
    </View>
  ));
}

function placeSize({ label }: LabelFormat) {
  return { width: pixels(label.width), height: pixels(label.height) };
}

/** The labels stand in the middle of the sheet. */
function insetsOf({ label, columns, rows }: LabelFormat, paper: Paper) {
  const { width, height } = PAPERS[paper];
  return {
    paddingLeft: pixels((width - label.width * columns) / 2),
    paddingRight: pixels((width - label.width * columns) / 2) - 1,
    paddingTop: pixels((height - label.height * rows) / 2),
  };
}

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap' },
  place: { borderWidth: 0.5, borderColor: '#b9b4a6', borderStyle: 'dotted' },
});
