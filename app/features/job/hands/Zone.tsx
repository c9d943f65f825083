import { Pressable, StyleSheet } from 'react-native';
import { radius, space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { useQuickPress } from '../../../ui/useQuickPress';
import { Words } from '../../../ui/Words';

type Props = {
  label: string;
  name?: string;
  weight?: 'primary' | 'plain';
  onPress: () => void;
};

/** A part of the screen to hit with a knuckle or an elbow. */
export function Zone({ label, name, weight = 'plain', onPress }: Props) {
  const tokens = useTokens();
  const primary = weight === 'primary';
  return (
    <Pressable
      role="button"
      aria-label={name ?? label}
      {...useQuickPress(onPress)}
      style={({ pressed }) => [
        styles.zone,
        {
          backgroundColor: primary ? tokens.act : tokens.sheet,
          borderColor: primary ? tokens.act : tokens.ink,
          opacity: pressed ? 0.75 : 1,
        },
      ]}
    >
      <Words as="title" style={[styles.text, { color: primary ? tokens.onAct : tokens.ink }]}>
        {label}
      </Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  zone: {
    flex: 1,
    minHeight: 96,
    minWidth: 88,
    borderWidth: 2.5,
    borderRadius: radius,
    padding: space.medium,
    alignItems: 'center',
    justifyContent: 'center',
  },
  text: { textAlign: 'center' },
});
