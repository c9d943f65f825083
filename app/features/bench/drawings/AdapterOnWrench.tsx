import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { useTokens } from '../../../theme/ThemeProvider';
import { Label } from './Label';
import { Picture, WIDTH } from './Picture';

type Props = { wrench: number; adapter: number; angle: number };

const [HEIGHT, MIDDLE] = [168, 84];

/** A wrench from the hand to its drive, and the adapter on it to the nut, at their angle. */
export function AdapterOnWrench({ wrench, adapter, angle }: Props) {
  const tokens = useTokens();
  const a = (angle * Math.PI) / 180;
  const [far, up] = [adapter * Math.cos(a), adapter * Math.sin(a)];
  const along = Math.max(wrench, 1) + Math.max(0, far);
  const scale = Math.min((WIDTH - 84) / along, up === 0 ? Infinity : 56 / Math.abs(up));
  const hand = 24;
  const drive = hand + wrench * scale;
  const nut = { x: drive + far * scale, y: MIDDLE - up * scale };
  return (
    <Picture height={HEIGHT} says={`Wrench ${wrench} long, adapter ${adapter} at ${angle}° to it`}>
      <Line
        x1={hand}
        x2={drive}
        y1={MIDDLE}
        y2={MIDDLE}
        stroke={tokens.enamelInk}
        strokeWidth={10}
        strokeLinecap="round"
      />
      <Rect x={hand - 10} y={MIDDLE - 9} width={52} height={18} rx={9} fill={tokens.enamelInk} />
      <Line
        x1={drive}
        x2={nut.x}
        y1={MIDDLE}
        y2={nut.y}
        stroke={tokens.act}
        strokeWidth={8}
        strokeLinecap="round"
      />
      <Circle
        cx={drive}
        cy={MIDDLE}
        r={9}
        fill={tokens.sheet}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <G transform={`translate(${nut.x} ${nut.y})`}>
        <Path
          d="M 12 0 L 6 10.4 L -6 10.4 L -12 0 L -6 -10.4 L 6 -10.4 Z"
          fill={tokens.dab}
          stroke={tokens.ink}
          strokeWidth={2}
        />
      </G>
      <Line
        x1={hand}
        x2={drive}
        y1={MIDDLE + 32}
        y2={MIDDLE + 32}
        stroke={tokens.secondInk}
        strokeWidth={1.2}
      />
      <Label x={(hand + drive) / 2} y={MIDDLE + 50} strong>
        {`L ${wrench}`}
      </Label>
      <Label x={hand} y={MIDDLE - 18} anchor="start">
        hand
      </Label>
      <Label x={Math.min(nut.x, WIDTH - 34)} y={nut.y > MIDDLE ? nut.y + 26 : nut.y - 18} strong>
        {`E ${adapter}, ${angle}°`}
      </Label>
    </Picture>
  );
}
