import type { MetBy, Spec } from '@longbar/core';
import { formatFigure, formatSetting } from '@longbar/core';
import { G, Line, Rect } from 'react-native-svg';
import { useTokens } from '../../../theme/ThemeProvider';
import { Label } from './Label';
import { Picture, WIDTH } from './Picture';

type Props = { spec: Spec; blades: readonly number[]; met: readonly MetBy[] };

/** The limits on a scale, with the blades of the set above it: what falls between them is open. */
export function LimitScale({ spec, blades, met }: Props) {
  const tokens = useTokens();
  const room = Math.max(spec.high - spec.low, 40);
  const [from, to] = [Math.max(0, spec.low - room), spec.high + room];
  const x = (size: number) => 16 + ((WIDTH - 32) * (size - from)) / (to - from);
  const near = blades.filter((blade) => blade >= from && blade <= to);
  const open = met.filter(({ by }) => !by).map(({ figure }) => figure);
  return (
    <Picture
      height={124}
      says={`Limits ${formatFigure('lash', spec.low)} to ${formatSetting('lash', spec.high)} with ${near.length} blades near them; between blades: ${open.join(', ') || 'none'}`}
    >
      <Rect
        x={x(spec.low)}
        y={44}
        width={x(spec.high) - x(spec.low)}
        height={32}
        fill={tokens.enamelTint}
      />
      <Line x1={8} x2={WIDTH - 8} y1={76} y2={76} stroke={tokens.ink} strokeWidth={1.5} />
      {near.map((blade, i) => (
        <G key={blade}>
          <Line
            x1={x(blade)}
            x2={x(blade)}
            y1={28}
            y2={76}
            stroke={tokens.secondInk}
            strokeWidth={2}
          />
          {(near.length < 7 || i % 2 === 0) && (
            <Label x={x(blade)} y={22}>
              {formatFigure('lash', blade)}
            </Label>
          )}
        </G>
      ))}
      {met.map(({ figure, size, by }) => (
        <G key={figure}>
          <Line
            {...{ x1: x(size), x2: x(size), y1: 44, y2: 88 }}
            stroke={by ? tokens.enamelInk : tokens.stop}
            strokeWidth={3}
            strokeDasharray={by ? undefined : '4 3'}
          />
          <Label x={x(size)} y={104} strong>
            {formatFigure('lash', size)}
          </Label>
          <Label x={x(size)} y={119}>
            {by ? figure : 'open'}
          </Label>
        </G>
      ))}
    </Picture>
  );
}
