import { Pressable, StyleSheet, View } from 'react-native';
import { radius, space, target } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { spacePresses } from '../ui/spacePresses';
import { Words } from '../ui/Words';

/** What is said of a bank that nobody works on now, and the rocker one goes to in it, if any. */
export type FoldedLine = { says: string; to: string | undefined };

type Props = FoldedLine & { name: string; onSelect: ((id: string) => void) | undefined };

/** A bank that nobody works on now, in one line: how far it is, and the way to it. */
export function FoldedBank({ name, says, to, onSelect }: Props) {
  const tokens = useTokens();
  const line = `Bank ${name}: ${says}`;
  if (to === undefined || !onSelect) {
    return (
      <View style={styles.line}>
        <Words as="note" color="secondInk">
          {line}
        </Words>
      </View>
    );
  }
  const go = () => onSelect(to);
  return (
    <Pressable
      role="button"
      aria-label={line}
      onPress={go}
      {...spacePresses(go)}
      style={[styles.line, styles.way, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}
    >
      <Words as="strong">{line}</Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: { justifyContent: 'center', paddingVertical: space.hair },
  way: {
    minHeight: target.least,
    borderWidth: 1.2,
    borderRadius: radius,
    paddingHorizontal: space.medium,
  },
});
