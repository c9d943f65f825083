import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Stack } from '../../ui/Panel';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';

type Props = {
  title: string;
  hint?: string;
  /** What is wrong with the answer as a whole. */
  mistake?: string | undefined;
  children: ReactNode;
};

/** One question to the engine, with the drawing it changes and what is wrong beside it. */
export function Question({ title, hint, mistake, children }: Props) {
  const tokens = useTokens();
  return (
    <View
      role="group"
      aria-label={title}
      style={[styles.box, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}
    >
      <Stack gap={space.hair}>
        <Words as="heading">{title}</Words>
        {hint !== undefined && (
          <Words as="note" color="secondInk">
            {hint}
          </Words>
        )}
      </Stack>
      {children}
      {mistake !== undefined && (
        <Words as="strong" color="stop" role="alert">
          {mistake}
        </Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    borderWidth: 1.2,
    borderRadius: radius,
    padding: space.large,
    paddingTop: space.medium,
    gap: space.medium,
  },
});
