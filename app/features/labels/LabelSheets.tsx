import Head from 'expo-router/head';
import type { ReactNode } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { space } from '../../theme/tokens';
import type { Paper } from '../shared/paper';
import { PAPERS } from '../shared/paper';
import type { LabelFormat } from './labelFormats';
import { pixels, sheetsOf } from './labelFormats';

type Props = {
  paper: Paper;
  format: LabelFormat;
  /** Places of the first sheet that are used up. */
  skip: number;
  labels: readonly ReactNode[];
};

/** Sheets of labels as they come out of the printer; on a narrow screen drawn smaller. */
export function LabelSheets({ paper, format, skip, labels }: Props) {
  const { width: screen } = useWindowDimensions();
  const { name, width, height } = PAPERS[paper];
  const [across, down] = [pixels(width), pixels(height)];
  const scale = Math.min(1, (screen - 2 * space.large) / across);
  return (
    <View style={styles.sheets}>
      <Head>
        <style>{`@page { size: ${name}; margin: 0; }`}</style>
      </Head>
      {sheetsOf(labels.length, skip, format).map((places, sheet) => (
        <View
          key={sheet}
          role="group"
          aria-label={`Sheet ${sheet + 1}`}
          style={[styles.frame, { width: across * scale, height: down * scale }]}
        >
          <View
            role="document"
            style={[styles.sheet, { width: across, minHeight: down - 1, transform: [{ scale }] }]}
          >
            <View style={[styles.grid, insetsOf(format, paper)]}>
              {places.map((label, place) => (
                <View key={place} style={[styles.place, sizeOf(format)]}>
                  {label !== null && labels[label]}
                </View>
              ))}
            </View>
          </View>
        </View>
      ))}
    </View>
  );
}

function sizeOf({ label }: LabelFormat) {
  return { width: pixels(label.width), minHeight: pixels(label.height) };
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
  sheets: { gap: space.large, alignItems: 'center' },
  frame: { overflow: 'hidden' },
  sheet: { backgroundColor: '#ffffff', transformOrigin: 'top left' },
  grid: { flexDirection: 'row', flexWrap: 'wrap' },
  place: { borderWidth: 0.5, borderColor: '#b9b4a6', borderStyle: 'dotted' },
});
