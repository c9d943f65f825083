import type { ComponentProps, Ref } from 'react';
import { memo } from 'react';
import { StyleSheet, Text } from 'react-native';
import { font } from '../theme/fonts';
import type { Tokens } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';

const roles = StyleSheet.create({
  title: { fontFamily: font.textStrong, fontSize: 28, lineHeight: 34 },
  heading: { fontFamily: font.textStrong, fontSize: 20, lineHeight: 26 },
  strong: { fontFamily: font.textStrong, fontSize: 16, lineHeight: 22 },
  body: { fontFamily: font.textMedium, fontSize: 16, lineHeight: 22 },
  note: { fontFamily: font.textMedium, fontSize: 14, lineHeight: 19 },
  label: { fontFamily: font.figure, fontSize: 13, lineHeight: 16 },
  figure: { fontFamily: font.figure, fontSize: 20, lineHeight: 24 },
  blade: { fontFamily: font.figureStrong, fontSize: 72, lineHeight: 72 },
});

/** Figures that change keep their width. */
const { tabular } = StyleSheet.create({ tabular: { fontVariant: ['tabular-nums'] } });

type Props = ComponentProps<typeof Text> & {
  as?: keyof typeof roles;
  color?: keyof Tokens;
  ref?: Ref<Text>;
};

/** Text in one of the application's few sizes. */
export const Words = memo(function Words({ as = 'body', color = 'ink', style, ...props }: Props) {
  const tokens = useTokens();
  const heading = as === 'title' || as === 'heading' ? { role: 'heading' as const } : undefined;
  return (
    <Text {...heading} {...props} style={[roles[as], tabular, { color: tokens[color] }, style]} />
  );
});
