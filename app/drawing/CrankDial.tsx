import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Text } from 'react-native-svg';
import type { EngineSheet, Mark } from '@longbar/core';
import { font } from '../theme/fonts';
import type { Tokens } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';

type Sense = NonNullable<EngineSheet['rotation']>['sense'];

type Props = {
  /** Crank angle as it stands, degrees. */
  at: number;
  marks: readonly Mark[];
  sense: Sense;
  /** Where else the crank may stand: spans of crank degrees, drawn outside the rim. */
  spans?: readonly { from: number; to: number }[];
  /** Still to bar, degrees; the arc ends at the pointer. */
  turn?: number;
  size: number;
  /** What the drawing says, for those who do not see it. */
  says: string;
};

const RIM = 86;
/** A longer name is written along the rim: upright it would run over rim and arrow. */
const UPRIGHT = 3;

/**
 * The pulley as seen from where one stands: marks as they lie, the pointer at the top, and
 * what is still to turn. The mark that comes next lies against the sense of rotation.
 */
export const CrankDial = memo(function CrankDial({
  at,
  marks,
  sense,
  turn,
  spans = [],
  size,
  says,
}: Props) {
  const tokens = useTokens();
  const forward = sense === 'clockwise' ? 1 : -1;
  return (
    <View role="img" aria-label={says} style={{ width: size, height: size }}>
      <Svg width={size} height={size} viewBox="-112 -118 224 230" aria-hidden>
        <Circle r={RIM + 8} fill={tokens.sheet} stroke={tokens.ink} strokeWidth={2} />
        <Circle r={RIM} fill="none" stroke={tokens.hair} strokeWidth={1} />
        <Degrees tokens={tokens} />
        <Circle r={26} fill="none" stroke={tokens.line} strokeWidth={2} />
        <Circle r={4} fill={tokens.line} />
        {turn !== undefined && turn > 0.5 && (
          <WayToGo turn={turn} forward={forward} tokens={tokens} />
        )}
        {marks.map((mark) => (
          <MarkOnRim
            key={mark.name}
            mark={mark}
            angle={-forward * (mark.at - at)}
            tokens={tokens}
          />
        ))}
        {spans.map(({ from, to }) => (
          <Path
            key={`${from} ${to}`}
            d={spanPath(from, to, at, forward)}
            fill="none"
            stroke={tokens.act}
            strokeWidth={8}
          />
        ))}
        <Path d="M -9 -116 L 9 -116 L 0 -96 Z" fill={tokens.act} />
      </Svg>
    </View>
  );
});

/** A point on a circle, `angle` degrees clockwise from the top. */
function point(angle: number, radius: number): { x: number; y: number } {
  const a = (angle * Math.PI) / 180;
  return { x: radius * Math.sin(a), y: -radius * Math.cos(a) };
}

const Degrees = memo(function Degrees({ tokens }: { tokens: Tokens }) {
  return (
    <G>
      {Array.from({ length: 36 }, (_, i) => {
        const inner = point(i * 10, i % 3 === 0 ? RIM : RIM + 4);
        const outer = point(i * 10, RIM + 8);
        return (
          <Line
            key={i}
            x1={inner.x}
            y1={inner.y}
            x2={outer.x}
            y2={outer.y}
            stroke={tokens.line}
            strokeWidth={i % 9 === 0 ? 2 : 1}
          />
        );
      })}
    </G>
  );
});

function MarkOnRim({ mark, angle, tokens }: { mark: Mark; angle: number; tokens: Tokens }) {
  const from = point(angle, RIM - 6);
  const to = point(angle, RIM + 8);
  const name = point(angle, RIM - 19);
  const along = Math.cos((angle * Math.PI) / 180) < -0.01 ? angle + 180 : angle;
  const tilt = mark.name.length > UPRIGHT ? along : 0;
  return (
    <G>
      <Line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={tokens.enamelInk} strokeWidth={4} />
      <Text
        transform={`translate(${name.x} ${name.y}) rotate(${tilt})`}
        y={6}
        fontSize={18}
        fontFamily={font.figureStrong}
        fill={tokens.ink}
        textAnchor="middle"
      >
        {mark.name}
      </Text>
    </G>
  );
}

/** The arc of the rim that may lie under the pointer, just outside it. */
function spanPath(from: number, to: number, at: number, forward: number): string {
  const length = Math.max(3, (to - from + 720) % 720);
  const steps = Math.ceil(length / 4);
  return Array.from({ length: steps + 1 }, (_, i) => {
    const { x, y } = point(-forward * (from + (length * i) / steps - at), RIM + 15);
    return `${i === 0 ? 'M' : 'L'} ${x.toFixed(1)} ${y.toFixed(1)}`;
  }).join(' ');
}

/** Rings the way runs on: a spiral inwards, so that a whole turn does not close on itself. */
const OUTER = 46;
const INNER = 29;

function WayToGo({ turn, forward, tokens }: { turn: number; forward: number; tokens: Tokens }) {
  const shown = Math.min(turn, 720);
  const radiusAt = (left: number) => OUTER - ((OUTER - INNER) * left) / Math.max(shown, 200);
  const steps = Math.max(2, Math.ceil(shown / 4));
  const points = Array.from({ length: steps + 1 }, (_, i) => {
    const left = shown - (shown * i) / steps;
    return point(-forward * left, radiusAt(left));
  });
  const path = points
    .map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'} ${x.toFixed(2)} ${y.toFixed(2)}`)
    .join(' ');
  const tip = `M ${-forward * 4} ${-OUTER - 12} L ${forward * 15} ${-OUTER} L ${-forward * 4} ${-OUTER + 12} Z`;
  return (
    <G>
      <Path
        d={path}
        fill="none"
        stroke={tokens.act}
        strokeWidth={8}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      <Path d={tip} fill={tokens.act} />
    </G>
  );
}
