import type { LengthUnit } from '@longbar/core';
import { formatLength, formatLengthAlone } from '@longbar/core';
import { G, Line, Rect } from 'react-native-svg';
import { useTokens } from '../../../theme/ThemeProvider';
import { Label } from './Label';
import { Picture } from './Picture';

const HEIGHT = 150;
/** What the thickest pile may take of the height. */
const ROOM = 96;
const [LEFT, RIGHT] = [20, 230];

type Props = { blades: readonly number[]; wanted: number; unit: LengthUnit };

/** Blades on each other between tip and screw, as thick beside each other as they are. */
export function BladePile({ blades, wanted, unit }: Props) {
  const tokens = useTokens();
  const goal = formatLength(wanted, unit);
  const shown = (blade: number) => formatLengthAlone(blade, unit);
  const sum = blades.reduce((all, blade) => all + blade, 0);
  const scale = ROOM / Math.max(sum, wanted, 1);
  const bottom = 126;
  const tops = blades.map((_, i) => blades.slice(0, i + 1).reduce((all, blade) => all + blade, 0));
  const line = bottom - wanted * scale;
  return (
    <Picture
      height={HEIGHT}
      says={`Blades on each other: ${blades.map(shown).join(', ')}; wanted ${goal}`}
    >
      {blades.map((blade, i) => {
        const top = bottom - (tops[i] ?? 0) * scale;
        return (
          <G key={blade}>
            <Rect
              x={LEFT}
              y={top}
              width={RIGHT - LEFT}
              height={Math.max(2, blade * scale)}
              fill={i % 2 === 0 ? tokens.enamelTint : tokens.shade}
              stroke={tokens.ink}
              strokeWidth={1}
            />
            {blade * scale >= 15 && (
              <Label x={(LEFT + RIGHT) / 2} y={top + (blade * scale) / 2 + 5} strong>
                {shown(blade)}
              </Label>
            )}
          </G>
        );
      })}
      <Line x1={8} x2={242} y1={bottom} y2={bottom} stroke={tokens.ink} strokeWidth={2.4} />
      <Line
        {...{ x1: 8, x2: 242, y1: line, y2: line }}
        stroke={tokens.act}
        strokeWidth={2}
        strokeDasharray="6 4"
      />
      <Label x={248} y={Math.max(14, line + 5)} anchor="start">
        wanted
      </Label>
      <Label x={248} y={Math.max(30, line + 21)} anchor="start" strong>
        {goal}
      </Label>
      <Label x={LEFT} y={144} anchor="start">
        drawn to one scale
      </Label>
    </Picture>
  );
}
