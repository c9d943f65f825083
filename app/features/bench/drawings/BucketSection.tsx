import { formatLength, formatSetting } from '@longbar/core';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { useTokens } from '../../../theme/ThemeProvider';
import { Label } from './Label';
import { Picture } from './Picture';

type Props = { shim: number; gap: number };

/** A cam over a bucket with its shim, cut through: the gap and the shim make one height. */
export function BucketSection({ shim, gap }: Props) {
  const tokens = useTokens();
  return (
    <Picture
      height={180}
      says={`Cam, gap ${formatSetting('lash', gap)}, shim ${formatLength(shim)}, bucket`}
    >
      <Circle
        cx={110}
        cy={46}
        r={34}
        fill={tokens.enamelTint}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <Path
        d="M 88 20 C 96 -2 124 -2 132 20"
        fill={tokens.enamelTint}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <Circle cx={110} cy={46} r={4} fill={tokens.ink} />
      <Rect
        x={70}
        y={94}
        width={80}
        height={16}
        fill={tokens.dab}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <Path
        d="M 52 94 L 66 94 L 66 110 L 154 110 L 154 94 L 168 94 L 168 160 L 154 160 L 154 124 L 66 124 L 66 160 L 52 160 Z"
        fill={tokens.shade}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <Rect
        x={104}
        y={124}
        width={12}
        height={46}
        fill={tokens.ground}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <Span y1={80} y2={94} says={`gap ${formatSetting('lash', gap)}`} at={88} />
      <Span y1={94} y2={110} says={`shim ${formatLength(shim)}`} at={112} />
    </Picture>
  );
}

function Span({ y1, y2, at, says }: { y1: number; y2: number; at: number; says: string }) {
  const tokens = useTokens();
  return (
    <G>
      <Line x1={172} x2={186} y1={y1} y2={y1} stroke={tokens.act} strokeWidth={2} />
      <Line x1={172} x2={186} y1={y2} y2={y2} stroke={tokens.act} strokeWidth={2} />
      <Line x1={180} x2={180} y1={y1} y2={y2} stroke={tokens.act} strokeWidth={2} />
      <Label x={194} y={at + 4} anchor="start" strong>
        {says}
      </Label>
    </G>
  );
}
