import type { ReactNode } from 'react';
import { Children } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../theme/tokens';

/** Choices in so many columns, all of one width; the last row does not stretch. */
export function Tiles({ columns, children }: { columns: number; children: ReactNode }) {
  return (
    <View style={styles.tiles}>
      {Children.toArray(children).map((child, place) => (
        <View key={place} style={[styles.tile, { width: `${100 / columns}%` }]}>
          {child}
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  tiles: { flexDirection: 'row', flexWrap: 'wrap', margin: -space.hair },
  tile: { padding: space.hair, flexDirection: 'row' },
});
