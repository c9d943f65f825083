import type { StripMark, StripTile } from '@longbar/core';
import { G, Line, Path, Rect, Svg, Text } from 'react-native-svg';
import { font } from '../../../theme/fonts';
import { pixels } from '../../shared/paper';

/** How wide the strip itself is, mm; and what stands over and under it. */
const STRIP = 16;
const [ABOVE, BELOW] = [14, 16];
/** Height of one strip with what stands by it, mm. */
export const STRIP_ROOM = ABOVE + STRIP + BELOW;

/** How far each kind of mark reaches over the strip, mm, and how thick it is. */
const REACH: Record<StripMark['kind'], [length: number, width: number]> = {
  top: [STRIP, 0.7],
  third: [STRIP, 0.35],
  ten: [7, 0.3],
  five: [5, 0.2],
  degree: [3, 0.15],
};

type Props = {
  tile: StripTile;
  marks: readonly StripMark[];
  of: string;
  overlap: number;
  first: boolean;
};

/** One part of a strip at true size: its unit is the mm. */
export function StripSheet({ tile, marks, of, overlap, first }: Props) {
  const mm = (length: number) => length / 1000;
  const width = mm(tile.to - tile.from);
  return (
    <Svg
      width={pixels(width + 2)}
      height={pixels(STRIP_ROOM)}
      viewBox={`-1 0 ${width + 2} ${STRIP_ROOM}`}
      aria-label={of}
    >
      <G y={ABOVE}>
        <Rect
          x={0}
          y={0}
          width={width}
          height={STRIP}
          fill="#ffffff"
          stroke="#000000"
          strokeWidth={0.2}
        />
        {!first && (
          <Rect
            x={0}
            y={0}
            width={mm(overlap)}
            height={STRIP}
            fill="#e8e8e8"
            stroke="#000000"
            strokeWidth={0.2}
          />
        )}
        {marks.map((mark) => (
          <Mark key={`${mark.at} ${mark.along}`} mark={mark} x={mm(mark.along - tile.from)} />
        ))}
        {!first && (
          <Words x={0} y={-1.5} says="under the part before, up to the line" anchor="start" />
        )}
      </G>
      <Path
        d={`M 8 ${ABOVE + STRIP + 8} l -6 0 m 2.4 -2 l -2.4 2 l 2.4 2`}
        stroke="#000000"
        strokeWidth={0.5}
        fill="none"
      />
      <Words
        x={10}
        y={ABOVE + STRIP + 9}
        says={`The rim moves this way. ${of}. Over a top: fires in turn 1 | in turn 2`}
        anchor="start"
      />
    </Svg>
  );
}

function Mark({ mark: { kind, label }, x }: { mark: StripMark; x: number }) {
  const [reach, width] = REACH[kind];
  const strong = kind === 'top' || kind === 'third';
  return (
    <G>
      <Line x1={x} x2={x} y1={0} y2={reach} stroke="#000000" strokeWidth={width} />
      {label !== undefined && kind === 'top' && <Words x={x} y={-1.5} says={label} size={5} />}
      {label !== undefined && kind !== 'top' && (
        <Words
          x={x + (strong ? 0.8 : 0)}
          y={strong ? 14 : 10.4}
          says={label}
          anchor={strong ? 'start' : 'middle'}
        />
      )}
    </G>
  );
}

type WordsProps = {
  x: number;
  y: number;
  says: string;
  size?: number;
  anchor?: 'start' | 'middle' | 'end';
};

function Words({ x, y, says, size = 2.8, anchor = 'middle' }: WordsProps) {
  return (
    <Text {...{ x, y }} fontSize={size} fontFamily={font.figure} fill="#000000" textAnchor={anchor}>
      {says}
    </Text>
  );
}

/** A line of 100 mm to hold a rule against before anything is cut. */
export function CheckLine() {
  return (
    <Svg width={pixels(104)} height={pixels(8)} viewBox="-2 0 104 8" aria-label="A line of 100 mm">
      <Path d="M 0 1 v 4 M 100 1 v 4 M 0 3 h 100" stroke="#000000" strokeWidth={0.3} fill="none" />
      <Words x={50} y={7} says="100 mm (3 15/16 in): measure it before anything is cut." />
    </Svg>
  );
}
