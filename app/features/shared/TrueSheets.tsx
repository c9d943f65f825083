import Head from 'expo-router/head';
import type { ReactNode } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { space } from '../../theme/tokens';
import type { Paper } from './paper';
import { PAPERS, pixels, sizeOf } from './paper';

type Props = { paper: Paper; landscape?: boolean; pages: readonly ReactNode[] };

/** Sheets of paper at true size as they come out of the printer; on a narrow screen drawn smaller. */
export function TrueSheets({ paper, landscape = false, pages }: Props) {
  const { width: screen } = useWindowDimensions();
  const { width, height } = sizeOf(paper, landscape);
  const [across, down] = [pixels(width), pixels(height)];
  const scale = Math.min(1, (screen - 2 * space.large) / across);
  const lies = landscape ? ' landscape' : '';
  return (
    <View style={styles.sheets}>
      <Head>
        <style>{`@page { size: ${PAPERS[paper].name}${lies}; margin: 0; }`}</style>
      </Head>
      {pages.map((page, sheet) => (
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
            {page}
          </View>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  sheets: { gap: space.large, alignItems: 'center' },
  frame: { overflow: 'hidden' },
  sheet: { backgroundColor: '#ffffff', transformOrigin: 'top left' },
});
