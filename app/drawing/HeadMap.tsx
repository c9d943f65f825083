import { memo, useMemo } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';
import type { HeadGeometry, RockerLook, SeatedBank } from '@longbar/core';
import { HEAD_ENDS, HEAD_TOP, headGeometry, KINDS, readId, ROCKER } from '@longbar/core';
import { font } from '../theme/fonts';
import type { Tokens } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from '../ui/Words';
import type { LiveLook } from './LiveRockers';
import type { FoldedLine } from './FoldedBank';
import { FoldedBank } from './FoldedBank';
import { LiveRockers } from './LiveRockers';
import type { MapCell } from './mapCell';
import { MapTargets } from './MapTargets';
import { Rocker } from './Rocker';

type Props = {
  banks: SeatedBank[];
  cells: Readonly<Record<string, MapCell>>;
  width: number;
  /** What is at its left and its right. */
  ends?: readonly [string, string] | undefined;
  /** Each rocker a target of its own, with the keyboard; else the cylinder's column. */
  fine?: boolean;
  onSelect?: (id: string) => void;
  /** Drawn low, for what stands below it needs the height. */
  short?: boolean;
  /** Of several banks only that of the selected rocker is drawn, and this is said of the others. */
  folded?: ((bank: SeatedBank) => FoldedLine) | undefined;
  /** An engine turned on the screen: what may be set and what is on its lobe follow it. */
  live?: LiveLook;
};

/** The narrowest column a thumb still hits; beyond eight cylinders a row scrolls. */
const NARROWEST = 40;

/**
 * The head seen from above, as one leans over the engine: the shaft, every rocker in its
 * place from the front. It is what one taps, the progress and the record in one.
 */
export function HeadMap(props: Props) {
  const { banks, cells, width, ends = HEAD_ENDS, fine = false, short = false } = props;
  const { onSelect, folded, live } = props;
  const open = folded ? bankOfSelected(banks, cells) : undefined;
  return (
    <View>
      {banks.map((bank) =>
        folded && bank !== open ? (
          <FoldedBank key={bank.name} name={bank.name} {...folded(bank)} onSelect={onSelect} />
        ) : (
          <View key={bank.name}>
            <BankRow
              bank={bank}
              name={banks.length > 1 ? bank.name : undefined}
              {...{ cells, width, fine, short, onSelect, live }}
            />
            {bank === (open ?? banks.at(-1)) && <Ends ends={ends} />}
          </View>
        ),
      )}
    </View>
  );
}

function Ends({ ends }: { ends: readonly [string, string] }) {
  return (
    <View style={styles.ends}>
      {ends.map((end) => (
        <Words key={end} as="label" color="secondInk">
          {end.toUpperCase()}
        </Words>
      ))}
    </View>
  );
}

function bankOfSelected(banks: SeatedBank[], cells: Props['cells']): SeatedBank | undefined {
  const holds = ({ cylinders }: SeatedBank) =>
    cylinders.some(({ adjusters }) => adjusters.some(({ id }) => cells[id]?.selected));
  return banks.find(holds) ?? banks[0];
}

type RowProps = Omit<Props, 'banks' | 'ends' | 'folded'> & {
  bank: SeatedBank;
  name?: string;
  fine: boolean;
  short: boolean;
};

function BankRow({ bank, name, cells, width, fine, short, onSelect, live }: RowProps) {
  const tokens = useTokens();
  const count = bank.cylinders.length;
  const column = Math.max(NARROWEST, Math.min(150, width / count));
  const full = column * count;
  const geometry = useMemo(() => headGeometry(bank, column, short), [bank, column, short]);
  const height = geometry.height + figureRoom(cells);
  const ids = geometry.places.map(({ id }) => id);
  const row = (
    <View style={{ width: full, height, alignSelf: 'center' }}>
      <BankDrawing {...{ bank, cells, column, geometry, tokens }} moving={live !== undefined} />
      {live && <LiveRockers {...{ geometry, cells, tokens, live }} width={full} />}
      {onSelect && <MapTargets {...{ bank, cells, column, geometry, fine, ids, onSelect }} />}
    </View>
  );
  return (
    <View>
      {name && (
        <Words as="label" color="secondInk">
          BANK {name}
        </Words>
      )}
      {full > width + 1 ? <ScrollView horizontal>{row}</ScrollView> : row}
    </View>
  );
}

type DrawingProps = {
  bank: SeatedBank;
  cells: Readonly<Record<string, MapCell>>;
  column: number;
  geometry: HeadGeometry;
  tokens: Tokens;
  /** The rockers follow a crank, and are painted apart. */
  moving: boolean;
};

const BankDrawing = memo(function BankDrawing({
  bank,
  cells,
  column,
  geometry,
  tokens,
  moving,
}: DrawingProps) {
  const { scale, letters: size, places } = geometry;
  const height = geometry.height + figureRoom(cells);
  const full = column * bank.cylinders.length;
  const shaft = HEAD_TOP + ROCKER.shaft * scale;
  const chosen = places.find(({ id }) => cells[id]?.selected);
  const chosenPlace = bank.cylinders.findIndex(({ cylinder }) => cylinder === chosen?.cylinder);
  return (
    <Svg width={full} height={height} aria-hidden>
      {chosenPlace >= 0 && (
        <Rect
          x={column * chosenPlace + 1.5}
          y={1}
          width={column - 3}
          height={height - 2}
          rx={10}
          fill={tokens.sheet}
          stroke={tokens.act}
          strokeWidth={1.6}
        />
      )}
      {column > 90 &&
        bank.cylinders.map((seated, i) => (
          <Bore
            key={seated.cylinder}
            x={column * (i + 0.5)}
            y={HEAD_TOP + 92 * scale}
            r={Math.min(column * 0.45, 46)}
            tokens={tokens}
          />
        ))}
      <Rect
        x={4}
        y={shaft - 4.5}
        width={full - 8}
        height={9}
        rx={4.5}
        fill={tokens.sheet}
        stroke={tokens.secondInk}
        strokeWidth={1.2}
      />
      {places.map(({ id, x }) => {
        const { says: _, figure, ...look } = cells[id] ?? NOTHING;
        const { letters } = KINDS[readId(id).kind];
        const place = { ...look, x, scale, tokens, letters, size };
        if (moving) return <Letters key={id} {...place} />;
        return <Place key={id} {...place} {...(figure !== undefined && { figure })} />;
      })}
      {bank.cylinders.map(({ cylinder }, i) => (
        <Text
          key={cylinder}
          x={column * (i + 0.5)}
          y={HEAD_TOP + ROCKER.height * scale + 36 + figureRoom(cells)}
          fontSize={19}
          fontFamily={font.figureStrong}
          fill={tokens.ink}
          textAnchor="middle"
        >
          {cylinder}
        </Text>
      ))}
    </Svg>
  );
});

const NOTHING: MapCell = {
  here: false,
  onLobe: false,
  progress: 'none',
  selected: false,
  says: '',
};

function Bore({ x, y, r, tokens }: { x: number; y: number; r: number; tokens: Tokens }) {
  return (
    <G>
      <Circle cx={x} cy={y} r={r} fill="none" stroke={tokens.hair} strokeWidth={1.5} />
      <Line x1={x - 4} x2={x + 4} y1={y} y2={y} stroke={tokens.hair} strokeWidth={1.2} />
    </G>
  );
}

type PlaceProps = RockerLook & {
  x: number;
  scale: number;
  tokens: Tokens;
  letters: string;
  /** Of its letters. */
  size: number;
  figure?: string;
};

/** One rocker in its place, with the letters of its kind and what was read below it. */
const Place = memo(function Place({ letters, size, figure, ...rocker }: PlaceProps) {
  return (
    <G>
      <Rocker {...rocker} y={HEAD_TOP} />
      <Letters {...{ letters, size }} {...rocker} />
      {figure && <Figure figure={figure} {...rocker} />}
    </G>
  );
});

/** Room for a reading written upwards, px. */
const FIGURE = 72;

function figureRoom(cells: Readonly<Record<string, MapCell>>): number {
  return Object.values(cells).some(({ figure }) => figure) ? FIGURE : 0;
}

type FigureProps = Pick<PlaceProps, 'x' | 'scale' | 'tokens' | 'odd'> & { figure: string };

function Figure({ figure, x, scale, tokens, odd }: FigureProps) {
  const y = HEAD_TOP + ROCKER.height * scale + 22;
  return (
    <Text
      x={x + 4.5}
      y={y}
      transform={`rotate(-90 ${x + 4.5} ${y})`}
      fontSize={13}
      fontFamily={odd ? font.figureStrong : font.figure}
      fill={odd ? tokens.stop : tokens.ink}
      textAnchor="end"
    >
      {figure}
    </Text>
  );
}

type LettersProps = Pick<PlaceProps, 'letters' | 'size' | 'x' | 'scale' | 'tokens' | 'here'>;

function Letters({ letters, size, x, scale, tokens, here }: LettersProps) {
  return (
    <Text
      x={x}
      y={HEAD_TOP + ROCKER.height * scale + 14}
      fontSize={size}
      fontFamily={font.figure}
      fill={here ? tokens.act : tokens.secondInk}
      textAnchor="middle"
    >
      {letters}
    </Text>
  );
}

const styles = StyleSheet.create({
  ends: { flexDirection: 'row', justifyContent: 'space-between', paddingHorizontal: 4 },
});
