import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTokens } from '../../theme/ThemeProvider';
import { Fold } from '../../ui/Fold';
import { Icon } from '../../ui/Icon';
import { Words } from '../../ui/Words';

type Props = { number: number; title: string; done: boolean; holds: string; children: ReactNode };

/** One step of the first run: what it is, whether it is done, and the way into it. */
export function FirstStep({ number, title, done, holds, children }: Props) {
  const tokens = useTokens();
  const picture = (
    <View
      style={[
        styles.number,
        { borderColor: tokens.enamelInk, backgroundColor: done ? tokens.enamel : 'transparent' },
      ]}
    >
      {done ? (
        <Icon name="check" color={tokens.dab} size={24} />
      ) : (
        <Words as="figure">{number}</Words>
      )}
    </View>
  );
  return (
    <Fold
      title={title}
      holds={done ? `done, ${holds}` : holds}
      lead={{ says: `${number}. `, picture }}
    >
      {children}
    </Fold>
  );
}

const styles = StyleSheet.create({
  number: {
    width: 44,
    height: 44,
    borderRadius: 22,
    borderWidth: 2,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
