import { memo } from 'react';
import type { ViewStyle } from 'react-native';
import { Pressable, StyleSheet, View } from 'react-native';
import type { IconName } from './Icon';
import { Icon } from './Icon';
import { useAsPrimary } from './primary';
import { NOT_BY_ENTER } from './spacePresses';
import type { Tokens } from '../theme/tokens';
import { radius, target } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { useSame } from './useSame';
import { Words } from './Words';

type Props = {
  label: string;
  onPress: () => void;
  /** A second, smaller line: what it is about. */
  detail?: string;
  /** What it does in full, where the label is short. */
  name?: string;
  weight?: 'primary' | 'stop' | 'plain';
  icon?: IconName;
  disabled?: boolean;
  /** Never pressed by Enter or a pedal: what keeps people safe, or is signed. */
  byHand?: boolean;
  style?: ViewStyle;
};

/** A button of the application: large, one line or two, saying what will be recorded. */
export function Act({ onPress, ...shown }: Props) {
  return <Drawn {...shown} onPress={useSame(onPress)} />;
}

const Drawn = memo(function Act(props: Props) {
  const { label, detail, onPress, name, weight = 'plain', icon, disabled, byHand, style } = props;
  useAsPrimary(weight === 'primary' && !disabled && !byHand ? label : undefined, onPress);
  const tokens = useTokens();
  const { ground, ink, edge } = coloursOf(weight, tokens, disabled);
  return (
    <Pressable
      role="button"
      aria-label={name ?? label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      {...(byHand && NOT_BY_ENTER)}
      style={({ pressed }) => [
        styles.act,
        { backgroundColor: ground, borderColor: edge, opacity: pressed ? 0.75 : 1 },
        { minHeight: weight === 'plain' ? target.least : target.primary },
        style,
      ]}
    >
      {icon && (
        <View style={styles.icon}>
          <Icon name={icon} color={ink} size={22} />
        </View>
      )}
      <View style={styles.words}>
        <Words as="strong" style={[detail === undefined && styles.label, { color: ink }]}>
          {label}
        </Words>
        {detail !== undefined && (
          <Words as="label" numberOfLines={2} style={{ color: ink }}>
            {detail}
          </Words>
        )}
      </View>
    </Pressable>
  );
});

function coloursOf(weight: 'primary' | 'stop' | 'plain', tokens: Tokens, disabled?: boolean) {
  if (disabled) return { ground: tokens.hair, ink: tokens.secondInk, edge: tokens.hair };
  if (weight === 'primary') return { ground: tokens.act, ink: tokens.onAct, edge: tokens.act };
  if (weight === 'stop') return { ground: tokens.stop, ink: tokens.onStop, edge: tokens.stop };
  return { ground: 'transparent', ink: tokens.ink, edge: tokens.secondInk };
}

const styles = StyleSheet.create({
  act: {
    borderRadius: radius,
    borderWidth: 1.5,
    paddingHorizontal: 16,
    paddingVertical: 8,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
  },
  icon: { marginRight: 8 },
  words: { flexShrink: 1 },
  label: { textAlign: 'center' },
});
