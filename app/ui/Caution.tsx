import { StyleSheet, View } from 'react-native';
import { Icon } from './Icon';
import { radius, space } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from './Words';

/** A caution, standing where the danger is. */
export function Caution({ children }: { children: string }) {
  const tokens = useTokens();
  return (
    <View role="note" style={[styles.box, { borderColor: tokens.stop }]}>
      <Icon name="caution" color={tokens.stop} />
      <Words as="note" style={styles.text}>
        {children}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    flexDirection: 'row',
    gap: space.small,
    alignItems: 'center',
    borderLeftWidth: 5,
    paddingLeft: space.medium,
    paddingVertical: space.small,
    borderRadius: radius / 6,
  },
  text: { flex: 1 },
});
