import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg from 'react-native-svg';
import { radius, space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';

/** How wide a drawing of a sum is: it stands whole on the narrowest phone. */
export const WIDTH = 320;

type Props = { height: number; says: string; children: ReactNode };

/** A drawing that shows what a sum means; `says` tells it to who does not see it. */
export function Picture({ height, says, children }: Props) {
  const tokens = useTokens();
  return (
    <View
      role="img"
      aria-label={says}
      style={[styles.frame, { backgroundColor: tokens.sheet, borderColor: tokens.line }]}
    >
      <Svg width={WIDTH} height={height} viewBox={`0 0 ${WIDTH} ${height}`} aria-hidden>
        {children}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  frame: {
    alignItems: 'center',
    borderWidth: 1.2,
    borderRadius: radius,
    paddingVertical: space.small,
  },
});
