import { G, Line, Path } from 'react-native-svg';
import { useTokens } from '../../../theme/ThemeProvider';
import { Label } from './Label';
import { Picture, WIDTH } from './Picture';

/** One side of a scale: how many of its unit the whole of it is. */
export type Side = { unit: string; whole: number };

const [LEFT, RIGHT] = [20, WIDTH - 20];

/** A step of 1, 2 or 5 of some ten that parts `whole` into three to eight. */
function stepOf(whole: number): number {
  const ten = 10 ** Math.floor(Math.log10(whole / 3));
  return [1, 2, 5, 10].map((of) => of * ten).find((step) => whole / step <= 8) ?? whole;
}

/** One length or torque on two scales beside each other; `share` is how far along it stands. */
export function TwinScale({
  above,
  below,
  share,
  says,
}: {
  above: Side;
  below: Side;
  share: number;
  says: string;
}) {
  const tokens = useTokens();
  const x = LEFT + (RIGHT - LEFT) * Math.min(Math.max(share, 0), 1);
  return (
    <Picture height={126} says={says}>
      <Scale side={above} y={54} up />
      <Scale side={below} y={72} />
      <Path d={`M ${x - 8} 4 L ${x + 8} 4 L ${x} 18 Z`} fill={tokens.act} />
      <Line x1={x} x2={x} y1={14} y2={112} stroke={tokens.act} strokeWidth={2.4} />
    </Picture>
  );
}

function Scale({ side: { unit, whole }, y, up = false }: { side: Side; y: number; up?: boolean }) {
  const tokens = useTokens();
  const step = stepOf(whole);
  const marks = Array.from({ length: Math.floor(whole / step + 1e-9) + 1 }, (_, i) => i * step);
  const sign = up ? -1 : 1;
  return (
    <G>
      <Line x1={LEFT} x2={RIGHT} y1={y} y2={y} stroke={tokens.ink} strokeWidth={1.6} />
      {marks.map((mark) => {
        const x = LEFT + ((RIGHT - LEFT) * mark) / whole;
        return (
          <G key={mark}>
            <Line x1={x} x2={x} y1={y} y2={y + sign * 9} stroke={tokens.ink} strokeWidth={1.4} />
            <Label x={x} y={up ? y - 14 : y + 24}>
              {figure.format(mark)}
            </Label>
          </G>
        );
      })}
      <Label x={RIGHT} y={up ? y - 32 : y + 42} anchor="end" strong>
        {unit}
      </Label>
    </G>
  );
}

const figure = new Intl.NumberFormat('en', { maximumFractionDigits: 2, useGrouping: false });
