import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { space, target } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { Icon } from './Icon';
import { Way } from './Way';
import { Words } from './Words';

type Props = {
  to: string;
  title: string;
  name?: string;
  detail: string;
  /** Before its words. */
  picture?: ReactNode;
};

/** One line of a list that leads to a page of its own. */
export function LinkRow({ to, title, name = title, detail, picture }: Props) {
  const tokens = useTokens();
  return (
    <View role="listitem">
      <Way to={to} name={name} style={[styles.row, { borderColor: tokens.line }]}>
        {picture}
        <View style={styles.text}>
          <Words as="heading">{title}</Words>
          <Words as="note" color="secondInk">
            {detail}
          </Words>
        </View>
        <Icon name="open" color={tokens.ink} />
      </Way>
    </View>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: target.primary,
    borderBottomWidth: 1,
    paddingVertical: space.medium,
    gap: space.medium,
  },
  text: { flex: 1 },
});
