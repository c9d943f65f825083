import type { RecordPage } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';

/** Every adjuster from the front: limits, as found, as left, what was done. */
export function RecordTable({ page }: { page: RecordPage }) {
  const tokens = useTokens();
  const { adjuster, limits, found, left, done } = page.columns;
  return (
    <View role="table" aria-label="Readings">
      <View role="row" style={[styles.row, { borderColor: tokens.ink }]}>
        {[adjuster, limits, found, left, done].map((title, i) => (
          <Words key={title} as="label" role="columnheader" color="secondInk" style={COLUMNS[i]}>
            {title}
          </Words>
        ))}
      </View>
      {page.rows.map((row) => (
        <View key={row.id} role="row" style={[styles.row, { borderColor: tokens.hair }]}>
          {[row.name, row.limits, row.found, row.left, row.done].map((text, i) => (
            <Words
              key={i}
              as={i === 0 ? 'strong' : 'note'}
              role="cell"
              color={i === 2 && row.wasOut ? 'act' : 'ink'}
              style={COLUMNS[i]}
            >
              {text}
            </Words>
          ))}
        </View>
      ))}
      <Words as="note" color="secondInk" style={styles.legend}>
        {page.legend}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    borderBottomWidth: 1,
    paddingVertical: 7,
    gap: space.small,
    alignItems: 'center',
  },
  wide: { flex: 1.1 },
  narrow: { flex: 1 },
  done: { flex: 1.25 },
  legend: { marginTop: space.small },
});

const COLUMNS = [styles.wide, styles.narrow, styles.narrow, styles.narrow, styles.done];
