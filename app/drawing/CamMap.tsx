import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Text } from 'react-native-svg';
import type { CamLane } from '@longbar/core';
import { font } from '../theme/fonts';
import type { Tokens } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';

type Props = {
  /** Lift over one cycle, cylinder by cylinder in firing order. */
  lanes: readonly CamLane[];
  /** Crank degrees of one cycle. */
  cycle: number;
  /** The crank angle of the line. */
  at: number;
  /** Whether the line is drawn by whoever turns the engine. */
  turnable?: boolean;
  /** Crank angles of the stops. */
  stops: readonly number[];
  /** What is set at a stop, in its cylinder's lane; what the model doubts is crossed out. */
  placed?: readonly Placed[];
  width: number;
};

export type Placed = { cylinder: number; kind: string; at: number; doubted: boolean };

/** Where the lanes begin and end, in pixels from the edges. */
export const LEFT = 30;
export const RIGHT = 12;
/** The room below the lanes, for the degrees. */
export const BELOW = 28;
const LANE = 46;
const RISE = 32;
const TOP = 22;

/**
 * The cam map: one lane per cylinder in firing order over one cycle, intake filled, exhaust
 * dashed, stops as lines. It is how the chart of positions explains itself.
 */
export const CamMap = memo(function CamMap(props: Props) {
  const { lanes, cycle, at, turnable = false, stops, placed, width } = props;
  const tokens = useTokens();
  const across = width - LEFT - RIGHT;
  const x = (angle: number) => LEFT + (across * angle) / cycle;
  const bottom = TOP + LANE * lanes.length;
  return (
    <View
      role="img"
      aria-label={`Cam map: lobes of ${lanes.length} cylinders over ${cycle}°, line at ${Math.round(at)}°.`}
    >
      <Svg width={width} height={bottom + BELOW} aria-hidden>
        {lanes.map((lane, i) => (
          <Lane key={lane.cylinder} {...{ lane, across, tokens }} y={TOP + LANE * (i + 1) - 8} />
        ))}
        {stops.map((stop) => (
          <Line
            key={stop}
            x1={x(stop)}
            x2={x(stop)}
            y1={TOP - 6}
            y2={bottom}
            stroke={tokens.act}
            strokeWidth={2}
            strokeDasharray="2 5"
          />
        ))}
        {placed?.map((each) => (
          <PlacedMark
            key={`${each.kind} ${each.cylinder} ${each.at}`}
            x={x(each.at) + (each.kind === 'intake' ? 7 : -7)}
            y={TOP + LANE * lanes.findIndex(({ cylinder }) => cylinder === each.cylinder) + 12}
            {...{ placed: each, tokens }}
          />
        ))}
        {!turnable && (
          <G transform={`translate(${x(at).toFixed(1)} 0)`}>
            <Line x1={0} x2={0} y1={TOP - 6} y2={bottom} stroke={tokens.act} strokeWidth={2.5} />
            <Path d={`M -8 ${TOP - 18} h 16 l -8 14 Z`} fill={tokens.act} />
          </G>
        )}
        <Scale {...{ cycle, x, y: bottom, tokens }} />
      </Svg>
    </View>
  );
});

type LaneProps = { lane: CamLane; y: number; across: number; tokens: Tokens };

const Lane = memo(function Lane({ lane, y, across, tokens }: LaneProps) {
  const [intake, exhaust] = [curve(lane.intake, across), curve(lane.exhaust, across)];
  const move = `translate(${LEFT} ${y})`;
  return (
    <G>
      <Text x={6} y={y} fontSize={18} fontFamily={font.figureStrong} fill={tokens.ink}>
        {lane.cylinder}
      </Text>
      <Path d={`${intake} L ${across} 0 L 0 0 Z`} transform={move} fill={tokens.enamelTint} />
      <Path d={intake} transform={move} fill="none" stroke={tokens.enamelInk} strokeWidth={1.8} />
      <Path
        d={exhaust}
        transform={move}
        fill="none"
        stroke={tokens.secondInk}
        strokeWidth={1.6}
        strokeDasharray="5 4"
      />
    </G>
  );
});

type PlacedProps = { placed: Placed; x: number; y: number; tokens: Tokens };

/** A dab where the chart and the model agree, a cross where they do not. */
function PlacedMark({ placed: { doubted, kind }, x, y, tokens }: PlacedProps) {
  if (doubted) {
    const cross = `M ${x - 5} ${y - 5} l 10 10 M ${x - 5} ${y + 5} l 10 -10`;
    return <Path d={cross} stroke={tokens.stop} strokeWidth={3} strokeLinecap="round" />;
  }
  const filled = kind === 'intake';
  return (
    <Circle
      cx={x}
      cy={y}
      r={4}
      fill={filled ? tokens.enamelInk : tokens.sheet}
      stroke={filled ? tokens.enamelInk : tokens.secondInk}
      strokeWidth={1.6}
    />
  );
}

/** Lifts spread evenly over the width, 0 to 1 as 0 to RISE upwards. */
function curve(lifts: readonly number[], across: number): string {
  const step = across / (lifts.length - 1);
  return `M ${lifts.map((raised, i) => `${(step * i).toFixed(1)} ${(-RISE * raised).toFixed(1)}`).join(' L ')}`;
}

type ScaleProps = { cycle: number; x: (angle: number) => number; y: number; tokens: Tokens };

function Scale({ cycle, x, y, tokens }: ScaleProps) {
  return (
    <G>
      {Array.from({ length: 7 }, (_, i) => (cycle * i) / 6).map((angle) => (
        <G key={angle}>
          <Line
            x1={x(angle)}
            x2={x(angle)}
            y1={y}
            y2={y + 6}
            stroke={tokens.secondInk}
            strokeWidth={1}
          />
          <Text
            x={x(angle)}
            y={y + 21}
            fontSize={13}
            fontFamily={font.label}
            fill={tokens.secondInk}
            textAnchor="middle"
          >
            {`${angle}°`}
          </Text>
        </G>
      ))}
    </G>
  );
}
