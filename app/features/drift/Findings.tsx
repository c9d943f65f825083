import type { Finding } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Icon } from '../../ui/Icon';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';

/** What the last check found out of the ordinary, each with what to look at first. */
export function Findings({ findings }: { findings: readonly Finding[] }) {
  const tokens = useTokens();
  if (findings.length === 0) return null;
  return (
    <View role="list" aria-label="Findings of the last check" style={styles.list}>
      {findings.map(({ says, look }) => (
        <View key={says} role="listitem" style={[styles.one, { borderColor: tokens.act }]}>
          <Icon name="caution" color={tokens.act} />
          <View style={styles.text}>
            <Words as="strong">{says}</Words>
            <Words as="note">{look}</Words>
          </View>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: space.small },
  one: { flexDirection: 'row', gap: space.medium, borderLeftWidth: 4, paddingLeft: space.medium },
  text: { flex: 1 },
});
