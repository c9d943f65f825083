import type { TurnMark } from '@longbar/core';
import { formatRule, SIZES } from '@longbar/core';
import { Circle, G, Line, Svg, Text } from 'react-native-svg';
import { font } from '../../../theme/fonts';
import { pixels } from '../../shared/paper';

/** How far each kind of mark reaches in from the edge, mm, and how thick it is. */
const REACH: Record<TurnMark['kind'], [length: number, width: number]> = {
  top: [22, 0.7],
  third: [14, 0.4],
  ten: [8, 0.3],
  five: [6, 0.2],
  degree: [4, 0.15],
};

type Props = {
  /** Across, mm. */
  across: number;
  marks: readonly TurnMark[];
  /** Which way the crank turns, seen from where the disc is read. */
  sense: 'clockwise' | 'counterclockwise';
};

/** A degree disc at true size; its numbers rise against the way it turns. */
export function DiscSheet({ across, marks, sense }: Props) {
  const radius = across / 2;
  const against = sense === 'clockwise' ? -1 : 1;
  return (
    <Svg
      width={pixels(across + 2)}
      height={pixels(across + 2)}
      viewBox={`${-radius - 1} ${-radius - 1} ${across + 2} ${across + 2}`}
      aria-label={`Degree disc, ${formatRule(across * SIZES.mm)} across`}
    >
      <Circle r={radius} fill="#ffffff" stroke="#000000" strokeWidth={0.3} />
      <Circle r={radius / 6} fill="none" stroke="#000000" strokeWidth={0.2} strokeDasharray="2 2" />
      <Line x1={-3} x2={3} y1={0} y2={0} stroke="#000000" strokeWidth={0.2} />
      <Line x1={0} x2={0} y1={-3} y2={3} stroke="#000000" strokeWidth={0.2} />
      {marks.map(({ at, kind, label }) => {
        const [reach, width] = REACH[kind];
        const size = kind === 'top' ? 6 : 3.4;
        return (
          <G key={`${kind} ${at}`} transform={`rotate(${against * at})`}>
            <Line
              x1={0}
              x2={0}
              y1={-radius}
              y2={-radius + reach}
              stroke="#000000"
              strokeWidth={width}
            />
            {label !== undefined && (
              <Text
                x={0}
                y={-radius + reach + size}
                fontSize={size}
                fontFamily={font.figure}
                fill="#000000"
                textAnchor="middle"
              >
                {label}
              </Text>
            )}
          </G>
        );
      })}
      <Text
        x={0}
        y={radius / 6 + 8}
        fontSize={3.4}
        fontFamily={font.figure}
        fill="#000000"
        textAnchor="middle"
      >
        {`The crank turns ${sense}`}
      </Text>
    </Svg>
  );
}
