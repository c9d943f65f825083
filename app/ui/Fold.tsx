import type { ReactNode } from 'react';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { radius, space, target } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { Icon } from './Icon';
import { spacePresses } from './spacePresses';
import { Words } from './Words';

type Props = {
  title: string;
  /** In one line, what it holds; shown while it is folded. */
  holds: string;
  /** Whether something in it is wrong. */
  wrong?: boolean;
  /** Before its title, such as a number or a tick; what it holds stays shown then. */
  lead?: { says: string; picture: ReactNode };
  children: ReactNode;
};

/** A section that is folded to one line until somebody wants it. */
export function Fold({ title, holds, wrong = false, lead, children }: Props) {
  const tokens = useTokens();
  const [open, setOpen] = useState(false);
  const turn = () => setOpen(!open);
  return (
    <View
      style={[
        styles.box,
        { backgroundColor: tokens.sheet, borderColor: wrong ? tokens.stop : tokens.line },
      ]}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${lead?.says ?? ''}${title}: ${holds}`}
        onPress={turn}
        {...spacePresses(turn)}
        style={styles.line}
      >
        {lead?.picture}
        <View style={styles.words}>
          <Words as="strong">{title}</Words>
          {(lead || !open) && (
            <Words as="note" color={wrong ? 'stop' : 'secondInk'}>
              {holds}
            </Words>
          )}
        </View>
        <Icon name={open ? 'fold' : 'unfold'} color={tokens.ink} />
      </Pressable>
      {open && <View style={styles.inside}>{children}</View>}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { borderWidth: 1.2, borderRadius: radius },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: target.primary,
    paddingHorizontal: space.medium,
    paddingVertical: space.small,
    gap: space.small,
  },
  words: { flex: 1 },
  inside: { padding: space.medium, paddingTop: 0, gap: space.medium },
});
