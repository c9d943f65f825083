import type { SheetChange } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';

/** What differs between two revisions of a sheet, line by line. */
export function SheetChanges({
  changes,
  title,
}: {
  changes: readonly SheetChange[];
  title: string;
}) {
  const tokens = useTokens();
  return (
    <View role="table" aria-label={title}>
      <Words as="heading">{title}</Words>
      {changes.map(({ what, before, after }) => (
        <View key={what} role="row" style={[styles.change, { borderColor: tokens.hair }]}>
          <Words role="rowheader" style={styles.what}>
            {what}
          </Words>
          <Words role="cell" as="figure" color="secondInk" style={styles.figure}>
            {before || 'none'}
          </Words>
          <Words as="note" color="secondInk">
            now
          </Words>
          <Words role="cell" as="figure" style={styles.figure}>
            {after || 'none'}
          </Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  change: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'baseline',
    gap: space.small,
    borderBottomWidth: 1,
    paddingVertical: space.small,
  },
  what: { flexGrow: 2, flexBasis: 180 },
  figure: { flexShrink: 1, fontSize: 17 },
});
