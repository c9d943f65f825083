import type { ReactNode } from 'react';
import type { ViewStyle } from 'react-native';
import { StyleSheet, View } from 'react-native';
import { space } from '../theme/tokens';

/** Things under each other with the usual gap. */
export function Stack({
  children,
  gap = space.medium,
  style,
}: {
  children: ReactNode;
  gap?: number;
  style?: ViewStyle;
}) {
  return <View style={[{ gap }, style]}>{children}</View>;
}

/** Things beside each other, spread to the ends. */
export function Spread({ children, style }: { children: ReactNode; style?: ViewStyle }) {
  return <View style={[styles.spread, style]}>{children}</View>;
}

/** Buttons or tiles beside each other, sharing the width. */
export function Row({ children, style }: { children: ReactNode; style?: ViewStyle }) {
  return <View style={[styles.row, style]}>{children}</View>;
}

const styles = StyleSheet.create({
  spread: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    gap: space.medium,
    flexWrap: 'wrap',
  },
  row: { flexDirection: 'row', gap: space.small, alignItems: 'stretch' },
});
