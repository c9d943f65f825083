import { formatHours } from '@longbar/core';
import { Circle, Line } from 'react-native-svg';
import { useTokens } from '../../../theme/ThemeProvider';
import { Label } from './Label';
import { Picture, WIDTH } from './Picture';

type Props = { now: number; then: number; days: string | undefined };

/** The meter’s hours against the calendar: from today up to where they are asked for. */
export function HoursLine({ now, then, days }: Props) {
  const tokens = useTokens();
  const [left, right, low, high] = [40, WIDTH - 40, 104, 40];
  return (
    <Picture
      height={146}
      says={`From ${formatHours(now)} h today to ${formatHours(then)} h${days ? `, ${days}` : ''}`}
    >
      <Line x1={20} x2={WIDTH - 20} y1={118} y2={118} stroke={tokens.secondInk} strokeWidth={1.4} />
      <Line
        {...{ x1: left, y1: low, x2: right, y2: high }}
        stroke={tokens.enamelInk}
        strokeWidth={3}
        strokeDasharray={days ? undefined : '5 5'}
      />
      <Circle cx={left} cy={low} r={6} fill={tokens.ink} />
      <Circle cx={right} cy={high} r={7} fill={tokens.act} />
      <Label x={left - 24} y={low - 14} anchor="start" strong>
        {`${formatHours(now)} h`}
      </Label>
      <Label x={right + 24} y={high - 14} anchor="end" strong>
        {`${formatHours(then)} h`}
      </Label>
      <Label x={20} y={138} anchor="start">
        today
      </Label>
      <Label x={WIDTH - 20} y={138} anchor="end">
        {days ?? 'when?'}
      </Label>
    </Picture>
  );
}
