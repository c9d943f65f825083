import { StyleSheet, View } from 'react-native';
import { useTokens } from '../../theme/ThemeProvider';
import type { DueWords } from './dueWords';

/** How much of the interval is used up. */
export function DueBar({ due }: { due: DueWords }) {
  const tokens = useTokens();
  const share = due.overdue ? 1 : due.share;
  const colour = due.overdue ? tokens.stop : share > 0.85 ? tokens.act : tokens.enamelInk;
  return (
    <View style={[styles.track, { backgroundColor: tokens.hair }]}>
      <View style={[styles.used, { width: `${share * 100}%`, backgroundColor: colour }]} />
    </View>
  );
}

const styles = StyleSheet.create({
  track: { height: 9, borderRadius: 5, overflow: 'hidden', marginTop: 4 },
  used: { height: 9, borderRadius: 5 },
});
