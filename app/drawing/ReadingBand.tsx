import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text } from 'react-native-svg';
import type { LengthUnit, Measure, Reading, SettingSpec } from '@longbar/core';
import { formatFigure, formatSetting, readingWithUnit } from '@longbar/core';
import { font } from '../theme/fonts';
import { useTokens } from '../theme/ThemeProvider';

type Props = {
  measure?: Measure;
  spec: SettingSpec;
  reading?: Reading;
  /** The unit of the blades in hand, where it is read by them. */
  marked?: LengthUnit | undefined;
  width: number;
};

const HEIGHT = 58;

/** The limits, the nominal, an aim, and the reading as the interval it is. */
export function ReadingBand({ measure = 'lash', spec, reading, marked, width }: Props) {
  const tokens = useTokens();
  const { low, target, high, aim } = spec;
  const room = Math.max(high - low, 40);
  const from = Math.min(low - room, reading && reading.go > 0 ? reading.go - 30 : Infinity);
  const to = Math.max(high + room, reading?.noGo ? reading.noGo + 30 : 0);
  const x = (length: number) => 14 + ((width - 28) * (length - from)) / (to - from);
  const inside =
    reading && reading.go >= low - 6 && reading.noGo !== null && reading.noGo <= high + 6;
  const open = reading && (reading.noGo === null || reading.go === 0);
  const says = reading ? `Reading ${readingWithUnit(measure, reading, marked)}` : 'No reading yet';
  return (
    <View
      role="img"
      aria-label={`${says}; limits ${formatFigure(measure, low, marked)} to ${formatSetting(measure, high, marked)}`}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Rect x={x(low)} y={4} width={x(high) - x(low)} height={30} fill={tokens.enamelTint} />
        <Line x1={8} x2={width - 8} y1={34} y2={34} stroke={tokens.secondInk} strokeWidth={1.2} />
        <Line x1={x(target)} x2={x(target)} y1={0} y2={34} stroke={tokens.ink} strokeWidth={2.4} />
        {aim !== undefined && (
          <Line
            {...{ x1: x(aim), x2: x(aim), y1: 0, y2: 34, strokeDasharray: '5 3' }}
            stroke={tokens.act}
            strokeWidth={2.4}
          />
        )}
        {reading && (
          <Rect
            x={x(Math.max(reading.go, from))}
            y={12}
            width={Math.max(4, x(reading.noGo ?? to) - x(Math.max(reading.go, from)))}
            height={13}
            rx={3}
            fill={open ? 'none' : inside ? tokens.enamelInk : tokens.act}
            stroke={inside ? tokens.enamelInk : tokens.act}
            strokeWidth={2}
            strokeDasharray={open ? '4 3' : undefined}
          />
        )}
        {[low, target, high].map((length) => (
          <Text
            key={length}
            x={x(length)}
            y={52}
            fontSize={14}
            fontFamily={font.figure}
            fill={tokens.secondInk}
            textAnchor="middle"
          >
            {formatFigure(measure, length, marked)}
          </Text>
        ))}
        {[low, target, high].map((length) => (
          <Path
            key={length}
            d={`M ${x(length)} 34 v 5`}
            stroke={tokens.secondInk}
            strokeWidth={1.2}
          />
        ))}
      </Svg>
    </View>
  );
}
