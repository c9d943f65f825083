import { memo } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { webStyle } from './webStyle.web';
import { radius, target } from '../theme/tokens';
import { spacePresses } from './spacePresses';
import { useTokens } from '../theme/ThemeProvider';
import { useReadOnly } from './readOnly';
import { useSame } from './useSame';
import { Words } from './Words';

type Props = {
  label: string;
  /** In full, where the label is short. */
  name?: string;
  detail?: string;
  chosen: boolean;
  /** Several may be chosen, not one of them. */
  several?: boolean;
  onPress: () => void;
};

/** One of several that may be chosen, or some of them; the chosen one is framed and filled. */
export function Choice({ onPress, ...shown }: Props) {
  return <Drawn {...shown} onPress={useSame(onPress)} />;
}

const Drawn = memo(function Choice(props: Props) {
  const { label, name, detail, chosen, several = false, onPress } = props;
  const tokens = useTokens();
  const readOnly = useReadOnly();
  return (
    <Pressable
      role={several ? 'checkbox' : 'radio'}
      aria-checked={chosen}
      aria-label={name ?? label}
      disabled={readOnly}
      onPress={onPress}
      {...spacePresses(onPress)}
      style={[
        styles.choice,
        {
          borderColor: chosen ? tokens.ink : tokens.secondInk,
          borderWidth: chosen ? 2.5 : 1.2,
          backgroundColor: chosen ? tokens.enamelTint : 'transparent',
        },
      ]}
    >
      <Words as="strong" style={styles.text}>
        {label}
      </Words>
      {detail && (
        <Words as="note" color="secondInk" style={styles.text}>
          {detail}
        </Words>
      )}
    </Pressable>
  );
});

const styles = StyleSheet.create({
  choice: {
    flexGrow: 1,
    flexBasis: 0,
    // In a narrower tile it is as wide as the tile, or it would lie over the next one.
    ...webStyle({ minWidth: 'min(64px, 100%)' }),
    minHeight: target.least,
    borderRadius: radius,
    paddingVertical: 8,
    paddingHorizontal: 4,
    alignItems: 'center',
    justifyContent: 'center',
  },
  text: { textAlign: 'center' },
});
