import type { EngineSheet, Section } from '@longbar/core';
import { lobeOutline, sectionAt } from '@longbar/core';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { font } from '../theme/fonts';
import type { Tokens } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';

/** How the valves are driven. */
export type Drive = 'push-rod' | 'overhead';

type Props = { sheet: EngineSheet; drive: Drive; at: number; width: number };

/** The drawing’s own measure; all below is in it. */
const [ACROSS, DOWN] = [340, 412];
/** Nothing is drawn above it. */
const SKY = 28;
const MIDDLE = ACROSS / 2;
/** The crank: its middle and its throw; the rod and how far the crown is above its pin. */
const CRANK = { y: 376, throw: 45 };
const CROWN = 22;
/** The underside of the head. */
const DECK = 150;
const VALVE = { exhaust: MIDDLE - 26, intake: MIDDLE + 26 } as const;
/** The gap is drawn far larger than it is, or nobody would see it. */
const GAP = 6;
const LOBE = 20;

/**
 * One cylinder cut through: piston, rod and crank, both valves with what drives them, and the gap
 * that a blade measures. `at` is the cylinder's own angle.
 */
export const CylinderSection = memo(function CylinderSection({ sheet, drive, at, width }: Props) {
  const tokens = useTokens();
  const section = sectionAt(sheet, at);
  const { piston } = section;
  const crown = DECK + 6 + piston * 2 * CRANK.throw;
  const pin = {
    x: MIDDLE + section.pinAcross * CRANK.throw,
    y: CRANK.y - section.pinUp * CRANK.throw,
  };
  return (
    <View role="img" aria-label={sectionWords(section)}>
      <Svg
        width={width}
        height={(width * DOWN) / ACROSS}
        viewBox={`0 ${SKY} ${ACROSS} ${DOWN}`}
        aria-hidden
      >
        <Walls tokens={tokens} />
        <Rect
          x={MIDDLE - 49}
          y={crown}
          width={98}
          height={52}
          rx={4}
          fill={tokens.shade}
          stroke={tokens.ink}
          strokeWidth={2}
        />
        <Line
          x1={MIDDLE - 49}
          x2={MIDDLE + 49}
          y1={crown + 10}
          y2={crown + 10}
          stroke={tokens.ink}
          strokeWidth={1.2}
        />
        <Circle
          cx={MIDDLE}
          cy={CRANK.y}
          r={CRANK.throw + 14}
          fill="none"
          stroke={tokens.line}
          strokeWidth={2}
        />
        <Line
          x1={MIDDLE}
          y1={crown + CROWN}
          x2={pin.x}
          y2={pin.y}
          stroke={tokens.ink}
          strokeWidth={9}
          strokeLinecap="round"
        />
        <Line
          x1={MIDDLE}
          y1={CRANK.y}
          x2={pin.x}
          y2={pin.y}
          stroke={tokens.enamelInk}
          strokeWidth={14}
          strokeLinecap="round"
        />
        <Circle
          cx={pin.x}
          cy={pin.y}
          r={8}
          fill={tokens.sheet}
          stroke={tokens.ink}
          strokeWidth={2}
        />
        <Circle
          cx={MIDDLE}
          cy={CRANK.y}
          r={8}
          fill={tokens.sheet}
          stroke={tokens.ink}
          strokeWidth={2}
        />
        {(['exhaust', 'intake'] as const).map((kind) => (
          <Train key={kind} {...{ sheet, drive, kind, section, tokens }} />
        ))}
      </Svg>
    </View>
  );
});

/** What the drawing shows, for who does not see it. */
function sectionWords({ stroke, intake, exhaust }: Section): string {
  const valve = (name: string, open: number) =>
    open === 0 ? `${name} shut, with its gap` : `${name} ${open > 0.9 ? 'wide' : 'partly'} open`;
  return `Section of No. 1: ${stroke} stroke, ${valve('exhaust', exhaust)}, ${valve('intake', intake)}`;
}

const Walls = memo(function Walls({ tokens }: { tokens: Tokens }) {
  const walls = `M ${MIDDLE - 52} 330 V ${DECK} M ${MIDDLE + 52} 330 V ${DECK}`;
  return (
    <G>
      <Rect
        x={MIDDLE - 66}
        y={DECK - 24}
        width={132}
        height={24}
        fill={tokens.hair}
        stroke={tokens.ink}
        strokeWidth={1.5}
      />
      <Path d={walls} stroke={tokens.ink} strokeWidth={4} fill="none" />
    </G>
  );
});

type TrainProps = {
  sheet: EngineSheet;
  drive: Drive;
  kind: 'exhaust' | 'intake';
  section: Section;
  tokens: Tokens;
};

/** One valve with its cam and what lies between: the cam takes up the gap before it opens it. */
function Train({ sheet, drive, kind, section, tokens }: TrainProps) {
  const rise = section[kind] * LOBE;
  const open = Math.max(0, rise - GAP);
  const gap = Math.max(0, GAP - rise);
  const x = VALVE[kind];
  const seat = DECK + open;
  const tip = 94 + open;
  return (
    <G>
      <Line x1={x} x2={x} y1={tip} y2={seat} stroke={tokens.ink} strokeWidth={5} />
      <Path
        d={`M ${x - 18} ${seat + 3} L ${x - 13} ${seat - 4} H ${x + 13} L ${x + 18} ${seat + 3} Z`}
        fill={tokens.ink}
      />
      <Path
        d={springPath(x, tip + 8, DECK - 24)}
        fill="none"
        stroke={tokens.secondInk}
        strokeWidth={2}
      />
      <Text
        x={kind === 'exhaust' ? x - 22 : x + 22}
        y={DECK - 32}
        fontSize={13}
        fontFamily={font.figure}
        fill={tokens.secondInk}
        textAnchor={kind === 'exhaust' ? 'end' : 'start'}
      >
        {kind === 'exhaust' ? 'ex' : 'in'}
      </Text>
      {drive === 'push-rod' ? (
        <PushRod {...{ sheet, kind, section, tokens, rise, tip, gap }} />
      ) : (
        <Overhead {...{ sheet, kind, section, tokens, tip, gap }} />
      )}
    </G>
  );
}

/** A spring between its plate and the head. */
function springPath(x: number, top: number, bottom: number): string {
  const turns = 5;
  const step = (bottom - top) / turns;
  const zigzag = Array.from(
    { length: turns },
    (_, i) => `L ${x + (i % 2 ? -11 : 11)} ${top + step * (i + 0.5)}`,
  );
  return `M ${x - 11} ${top} H ${x + 11} ${zigzag.join(' ')} L ${x} ${bottom}`;
}

type DriveProps = Omit<TrainProps, 'drive'> & { tip: number; gap: number };

/** The arm of a rocker from its shaft to the push rod, and to the valve. */
const [OUT, IN] = [38, 34];

function PushRod({ sheet, kind, section, tokens, rise, tip, gap }: DriveProps & { rise: number }) {
  const side = kind === 'exhaust' ? -1 : 1;
  const x = VALVE[kind];
  const shaft = { x: x + side * IN, y: 84 };
  const rod = shaft.x + side * OUT;
  const angle = (Math.atan2(rise, OUT) * 180) / Math.PI;
  const cam = { x: rod, y: 322 };
  const follower = cam.y - LOBE - rise;
  const free = gap > 0;
  return (
    <G>
      <Gap x={x} y={tip - gap / 2} gap={gap} tokens={tokens} />
      <G transform={`rotate(${side * -angle} ${shaft.x} ${shaft.y})`}>
        <Path
          d={`M ${rod} ${shaft.y - 6} L ${shaft.x} ${shaft.y - 12} L ${x} ${shaft.y - 6} L ${x - side * 4} ${shaft.y + 4} L ${shaft.x} ${shaft.y + 9} L ${rod} ${shaft.y + 4} Z`}
          fill={free ? tokens.actTint : tokens.shade}
          stroke={free ? tokens.act : tokens.ink}
          strokeWidth={2}
        />
      </G>
      <Circle
        cx={shaft.x}
        cy={shaft.y}
        r={5}
        fill={tokens.sheet}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <Line
        x1={rod}
        x2={rod}
        y1={shaft.y - rise + 4}
        y2={follower - 10}
        stroke={tokens.ink}
        strokeWidth={5}
      />
      <Rect
        x={rod - 13}
        y={follower - 12}
        width={26}
        height={12}
        fill={tokens.shade}
        stroke={tokens.ink}
        strokeWidth={2}
      />
      <Cam {...{ sheet, kind, tokens }} {...cam} base={LOBE} height={1} turned={section.cam} />
    </G>
  );
}

function Overhead({ sheet, kind, section, tokens, tip, gap }: DriveProps) {
  const x = VALVE[kind];
  const free = gap > 0;
  const base = 14;
  return (
    <G>
      <Gap x={x} y={tip - 6 - gap / 2} gap={gap} tokens={tokens} />
      <Rect
        x={x - 19}
        y={tip - 6}
        width={38}
        height={14}
        fill={free ? tokens.actTint : tokens.shade}
        stroke={free ? tokens.act : tokens.ink}
        strokeWidth={2}
      />
      <Cam
        {...{ sheet, kind, tokens, x, base }}
        y={94 - 6 - GAP - base}
        height={LOBE / base}
        turned={section.cam + 180}
      />
    </G>
  );
}

/** The gap, ringed where it is there. */
function Gap({ x, y, gap, tokens }: { x: number; y: number; gap: number; tokens: Tokens }) {
  if (gap === 0) return null;
  return (
    <Circle
      cx={x}
      cy={y}
      r={11}
      fill="none"
      stroke={tokens.act}
      strokeWidth={2.5}
      strokeDasharray="4 3"
    />
  );
}

type CamProps = {
  sheet: EngineSheet;
  kind: 'exhaust' | 'intake';
  x: number;
  y: number;
  /** The radius of its base circle, and how high its lobe is above it in base circles. */
  base: number;
  height: number;
  /** Degrees, clockwise. */
  turned: number;
  tokens: Tokens;
};

function Cam({ sheet, kind, x, y, base, height, turned, tokens }: CamProps) {
  const d = useMemo(() => {
    const points = lobeOutline(sheet, kind, height);
    return `M ${points.map((point) => `${(point.x * base).toFixed(2)} ${(point.y * base).toFixed(2)}`).join(' L ')} Z`;
  }, [sheet, kind, height, base]);
  return (
    <G transform={`translate(${x} ${y}) rotate(${turned})`}>
      <Path d={d} fill={tokens.enamelTint} stroke={tokens.enamelInk} strokeWidth={2.2} />
      <Circle r={3.5} fill={tokens.enamelInk} />
      <Line x1={0} x2={0} y1={-4} y2={-base + 3} stroke={tokens.enamelInk} strokeWidth={1.6} />
    </G>
  );
}
