import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Icon } from './Icon';
import { radius, space, target } from '../theme/tokens';
import { NOT_BY_ENTER, spacePresses } from './spacePresses';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from './Words';

type Props = {
  text: string;
  done: boolean;
  /** Said of it once done: by whom, or why not. */
  note?: string;
  onPress: () => void;
  /** Beside it while it is open: what else may be said of it. */
  beside?: ReactNode;
  /** Below it while it is open. */
  children?: ReactNode;
};

/** One thing to do, ticked by itself: by a finger or the space bar, and never by Enter. */
export function TickRow({ text, done, note, onPress, beside, children }: Props) {
  const tokens = useTokens();
  return (
    <View style={[styles.row, { borderColor: done ? tokens.enamelInk : tokens.line }]}>
      <View style={styles.line}>
        <Pressable
          role="checkbox"
          aria-checked={done}
          aria-label={text}
          disabled={done}
          onPress={onPress}
          {...(!done && spacePresses(onPress))}
          {...NOT_BY_ENTER}
          style={styles.tick}
        >
          <View
            style={[
              styles.box,
              { borderColor: tokens.ink, backgroundColor: done ? tokens.enamel : 'transparent' },
            ]}
          >
            {done && <Icon name="check" color={tokens.dab} size={22} />}
          </View>
          <View style={styles.text}>
            <Words>{text}</Words>
            {note && (
              <Words as="note" color="secondInk">
                {note}
              </Words>
            )}
          </View>
        </Pressable>
        {!done && beside}
      </View>
      {!done && children}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { borderWidth: 1.5, borderRadius: radius, minHeight: target.primary },
  line: { flexDirection: 'row', alignItems: 'center' },
  tick: {
    flex: 1,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    padding: space.medium,
    minHeight: target.primary,
  },
  box: {
    width: 32,
    height: 32,
    borderWidth: 2,
    borderRadius: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
  text: { flex: 1 },
});
