import { Text } from 'react-native-svg';
import { font } from '../../../theme/fonts';
import { useTokens } from '../../../theme/ThemeProvider';

type Props = {
  x: number;
  y: number;
  children: string;
  anchor?: 'start' | 'middle' | 'end';
  strong?: boolean;
};

/** A word or a figure in a drawing. */
export function Label({ x, y, children, anchor = 'middle', strong = false }: Props) {
  const tokens = useTokens();
  return (
    <Text
      x={x}
      y={y}
      fontSize={strong ? 16 : 14}
      fontFamily={strong ? font.figureStrong : font.figure}
      fill={strong ? tokens.ink : tokens.secondInk}
      textAnchor={anchor}
    >
      {children}
    </Text>
  );
}
