import { Circle, G, Line, Path } from 'react-native-svg';
import { useTokens } from '../../../theme/ThemeProvider';
import { Label } from './Label';
import { Picture, WIDTH } from './Picture';

const [MIDDLE, TOP, RADIUS] = [WIDTH / 2, 96, 70];

/** A point of the face, `angle` degrees clockwise from twelve. */
function on(angle: number, radius: number): { x: number; y: number } {
  const a = (angle * Math.PI) / 180;
  return { x: MIDDLE + radius * Math.sin(a), y: TOP - radius * Math.cos(a) };
}

/**
 * The screw seen from above as the face of a clock: its slot begins at twelve and ends where the
 * turn ends. Above 0 the gap opens, and the screw goes back, against the hands of a clock.
 */
export function ScrewClock({ degrees, says }: { degrees: number; says: string }) {
  const tokens = useTokens();
  const shown = Math.min(Math.abs(degrees), 359.9) * (degrees > 0 ? -1 : 1);
  const end = on(shown, RADIUS - 12);
  const start = on(0, RADIUS - 12);
  const arc = `M ${start.x} ${start.y} A ${RADIUS - 12} ${RADIUS - 12} 0 ${Math.abs(shown) > 180 ? 1 : 0} ${shown > 0 ? 1 : 0} ${end.x} ${end.y}`;
  return (
    <Picture height={190} says={says}>
      <Circle
        cx={MIDDLE}
        cy={TOP}
        r={RADIUS}
        fill={tokens.ground}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      {Array.from({ length: 12 }, (_, i) => {
        const [inner, outer] = [on(i * 30, RADIUS - 7), on(i * 30, RADIUS)];
        return (
          <Line
            key={i}
            {...{ x1: inner.x, y1: inner.y, x2: outer.x, y2: outer.y }}
            stroke={tokens.secondInk}
            strokeWidth={i % 3 === 0 ? 3 : 1.2}
          />
        );
      })}
      <Path d={arc} fill="none" stroke={tokens.act} strokeWidth={6} />
      <Slot angle={0} color={tokens.line} />
      <Slot angle={shown} color={tokens.ink} />
      {(['12', '3', '6', '9'] as const).map((hour, i) => {
        const { x, y } = on(i * 90, RADIUS + 16);
        return (
          <G key={hour}>
            <Label {...{ x, y: y + 5 }}>{hour}</Label>
          </G>
        );
      })}
      <Circle cx={end.x} cy={end.y} r={7} fill={tokens.act} />
    </Picture>
  );
}

function Slot({ angle, color }: { angle: number; color: string }) {
  const [a, b] = [on(angle, 36), on(angle + 180, 36)];
  return (
    <Line
      x1={a.x}
      y1={a.y}
      x2={b.x}
      y2={b.y}
      stroke={color}
      strokeWidth={7}
      strokeLinecap="round"
    />
  );
}
