import { memo, useMemo } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Rect, Text } from 'react-native-svg';
import type { AdjusterKind, SeatedBank } from '@longbar/core';
import { font } from '../theme/fonts';
import type { Tokens } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from '../theme/Words';
import type { LiveLook } from './LiveRockers';
import { LiveRockers } from './LiveRockers';
import type { Geometry, MapCell } from './mapCell';
import { KIND_LETTERS } from './mapCell';
import { MapTargets } from './MapTargets';
import { Rocker } from './Rocker';
import type { RockerLook } from './rockerShapes';
import { ROCKER } from './rockerShapes';

type Props = {
  banks: SeatedBank[];
  cells: Readonly<Record<string, MapCell>>;
  width: number;
  /** Each rocker a target of its own, with the keyboard; else the cylinder's column. */
  fine?: boolean;
  onSelect?: (id: string) => void;
  /** An engine turned on the screen: what may be set and what is on its lobe follow it. */
  live?: LiveLook;
};

/** The narrowest column a thumb still hits; beyond eight cylinders a row scrolls. */
const NARROWEST = 40;
const LABELS = 44;

/**
 * The head seen from above, as one leans over the engine: the shaft, every rocker in its
 * place from the front. It is what one taps, the progress and the record in one.
 */
export function HeadMap({ banks, cells, width, fine = false, onSelect, live }: Props) {
  return (
    <View>
      {banks.map((bank) => (
        <BankRow
          key={bank.name}
          bank={bank}
          name={banks.length > 1 ? bank.name : undefined}
          {...{ cells, width, fine, onSelect, live }}
        />
      ))}
      <View style={styles.ends}>
        <Words as="label" color="secondInk">
          FRONT
        </Words>
        <Words as="label" color="secondInk">
          REAR
        </Words>
      </View>
    </View>
  );
}

type RowProps = Omit<Props, 'banks'> & {
  bank: SeatedBank;
  name?: string;
  fine: boolean;
};

function BankRow({ bank, name, cells, width, fine, onSelect, live }: RowProps) {
  const tokens = useTokens();
  const count = bank.cylinders.length;
  const column = Math.max(NARROWEST, Math.min(150, width / count));
  const full = column * count;
  const geometry = useMemo(() => geometryOf(bank, column), [bank, column]);
  const ids = geometry.places.map(({ id }) => id);
  const row = (
    <View style={{ width: full, height: geometry.height, alignSelf: 'center' }}>
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

function geometryOf(bank: SeatedBank, column: number): Geometry {
  const most = Math.max(...bank.cylinders.map(({ adjusters }) => adjusters.length), 1);
  const pitch = Math.min(column / most, column > 90 ? 48 : 30);
  const scale = Math.max(0.8, Math.min(1.15, (pitch - 3) / ROCKER.width));
  const places = bank.cylinders.flatMap(({ adjusters, cylinder }, i) =>
    adjusters.map(({ id }, a) => ({
      id,
      cylinder,
      x: column * (i + 0.5) + pitch * (a - (adjusters.length - 1) / 2),
    })),
  );
  return { scale, height: ROCKER.height * scale + LABELS + 8, places };
}

type DrawingProps = {
  bank: SeatedBank;
  cells: Readonly<Record<string, MapCell>>;
  column: number;
  geometry: Geometry;
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
  const { scale, height, places } = geometry;
  const full = column * bank.cylinders.length;
  const shaft = 6 + ROCKER.shaft * scale;
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
            y={6 + 92 * scale}
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
        const { says: _, ...look } = cells[id] ?? NOTHING;
        const place = { ...look, x, scale, tokens, letters: KIND_LETTERS[kindOf(id)] };
        return moving ? <Letters key={id} {...place} /> : <Place key={id} {...place} />;
      })}
      {bank.cylinders.map(({ cylinder }, i) => (
        <Text
          key={cylinder}
          x={column * (i + 0.5)}
          y={6 + ROCKER.height * scale + 36}
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

type PlaceProps = RockerLook & { x: number; scale: number; tokens: Tokens; letters: string };

/** One rocker in its place, with the letters of its kind below it. */
const Place = memo(function Place({ letters, ...rocker }: PlaceProps) {
  return (
    <G>
      <Rocker {...rocker} y={6} />
      <Letters letters={letters} {...rocker} />
    </G>
  );
});

type LettersProps = Pick<PlaceProps, 'letters' | 'x' | 'scale' | 'tokens' | 'here'>;

function Letters({ letters, x, scale, tokens, here }: LettersProps) {
  return (
    <Text
      x={x}
      y={6 + ROCKER.height * scale + 14}
      fontSize={13}
      fontFamily={font.figure}
      fill={here ? tokens.act : tokens.secondInk}
      textAnchor="middle"
    >
      {letters}
    </Text>
  );
}

function kindOf(id: string): AdjusterKind {
  return id.split('.')[0] as AdjusterKind;
}

const styles = StyleSheet.create({
  ends: { flexDirection: 'row', justifyContent: 'space-between', paddingHorizontal: 4 },
});
