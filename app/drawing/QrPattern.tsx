import { create } from 'qrcode';
import { useMemo } from 'react';
import Svg, { Path, Rect } from 'react-native-svg';

/** Light around the pattern that a camera needs to find it, in modules. */
const QUIET = 4;

type Props = { text: string; size: number; says: string };

/**
 * A text as a pattern that a phone's camera reads: black on white whatever the theme, because it
 * is printed and because a camera may not find the reverse.
 */
export default function QrPattern({ text, size, says }: Props) {
  const { path, across } = useMemo(() => patternOf(text), [text]);
  return (
    <Svg
      width={size}
      height={size}
      viewBox={`0 0 ${across} ${across}`}
      aria-label={says}
      role="img"
    >
      <Rect width={across} height={across} fill="#ffffff" />
      <Path d={path} fill="#000000" />
    </Svg>
  );
}

function patternOf(text: string): { path: string; across: number } {
  // A quarter of it may be covered by oil and is still read.
  const { modules } = create(text, { errorCorrectionLevel: 'Q' });
  let path = '';
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      if (modules.get(row, column)) path += `M${column + QUIET} ${row + QUIET}h1v1h-1z`;
    }
  }
  return { path, across: modules.size + 2 * QUIET };
}
