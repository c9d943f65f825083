import { webStyle } from '../../../ui/webStyle.web';
import type {
  BladeSet,
  LaidOut,
  LengthUnit,
  SettingSpec,
  SteppedBlade,
  Trial,
} from '@longbar/core';
import {
  bladeFor,
  bladeWord,
  formatLength,
  formatLengthAlone,
  layOutBlades,
  leafWord,
  markedIn,
  steppedBlades,
  toSet,
} from '@longbar/core';
import { memo, useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { radius, space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { QuickButton } from '../../../ui/QuickButton';
import type { Told } from '../../../ui/useAfterPaint';
import { Words } from '../../../ui/Words';
import { nearestInRow } from './nearestInRow';

type Props = {
  set: BladeSet;
  spec: SettingSpec;
  /** Each tile listens by itself, so that a tap draws its own anew and not the row. */
  tried: Told<readonly Trial[]>;
  /** Laid out from the thickest instead of from the thinnest. */
  thickFirst?: boolean;
  onTap: (size: number) => void;
  onTapLeaf: (leaf: SteppedBlade) => void;
};

const TILE = 74;

/** The blade set itself, laid out around the spec: tap what enters, tap again what stops. */
export const BladeRow = memo(function BladeRow(props: Props) {
  const { set, spec, tried, thickFirst = false, onTap, onTapLeaf } = props;
  const laid = useMemo(() => {
    const thinFirst = layOutBlades(set, spec);
    return thickFirst ? thinFirst.reverse() : thinFirst;
  }, [set, spec, thickFirst]);
  const leaves = useMemo(() => {
    const thinFirst = steppedBlades(set);
    return thickFirst ? thinFirst.reverse() : thinFirst;
  }, [set, thickFirst]);
  const row = useRef<ScrollView>(null);
  const wanted = toSet(spec);
  const nominal = bladeFor(laid, wanted);
  const nearest = nearestInRow(laid, leaves, wanted);
  useEffect(() => {
    const x = Math.max(0, (nearest - 2) * (TILE + space.small));
    row.current?.scrollTo({ x, animated: false });
    // By its name: the shop's blades come anew with each answer of the server, and a row that jumps
    // back is tapped beside what was meant.
  }, [nearest, set.name]);
  const unit = markedIn(set);
  return (
    <ScrollView
      ref={row}
      horizontal
      role="group"
      aria-label={`Blades of the ${set.name}`}
      style={styles.around}
      contentContainerStyle={styles.row}
    >
      {laid.map((blade) => (
        <BladeTile
          key={`${blade.size} ${blade.of?.join('+') ?? ''}`}
          blade={blade}
          unit={unit}
          tried={tried}
          nominal={blade === nominal}
          onTap={onTap}
        />
      ))}
      {leaves.map((leaf) => (
        <LeafTile key={leaf.go} {...{ leaf, unit, tried }} onTap={onTapLeaf} />
      ))}
    </ScrollView>
  );
});

type TileProps = {
  blade: LaidOut;
  unit: LengthUnit;
  tried: Told<readonly Trial[]>;
  nominal: boolean;
  onTap: (size: number) => void;
};

const BladeTile = memo(function BladeTile({ blade, unit, tried, nominal, onTap }: TileProps) {
  const { size, of } = blade;
  const word = useSyncExternalStore(tried.subscribe, () => bladeWord(tried.read(), size));
  const untried = word === 'not tried';
  const plain = of
    ? of.map((part) => formatLengthAlone(part, unit)).join('+')
    : nominal
      ? 'nominal'
      : '·';
  return (
    <Tile
      name={`${formatLength(size, unit)}${of ? ' stack' : ''}: ${word}`}
      figure={formatLengthAlone(size, unit)}
      word={untried ? plain : word}
      tone={untried ? 'plain' : word === 'enters' ? 'enters' : 'tried'}
      wide={(of?.length ?? 0) > 2}
      onPress={() => onTap(size)}
    />
  );
});

type LeafProps = {
  leaf: SteppedBlade;
  unit: LengthUnit;
  tried: Told<readonly Trial[]>;
  onTap: (leaf: SteppedBlade) => void;
};

const LeafTile = memo(function LeafTile({ leaf, unit, tried, onTap }: LeafProps) {
  const word = useSyncExternalStore(tried.subscribe, () => leafWord(tried.read(), leaf));
  const untried = word === 'not tried';
  const [thin, thick] = [formatLengthAlone(leaf.go, unit), formatLengthAlone(leaf.noGo, unit)];
  return (
    <Tile
      name={`Leaf ${thin} and ${thick}: ${word}`}
      figure={`${thin} ${thick}`}
      word={untried ? 'go · no-go' : word}
      tone={untried ? 'plain' : word === 'thin end enters' ? 'enters' : 'tried'}
      wide
      onPress={() => onTap(leaf)}
    />
  );
});

type OneTile = {
  name: string;
  figure: string;
  word: string;
  tone: 'plain' | 'tried' | 'enters';
  wide?: boolean;
  onPress: () => void;
};

function Tile({ name, figure, word, tone, wide, onPress }: OneTile) {
  const tokens = useTokens();
  const color = tone === 'plain' ? 'secondInk' : 'ink';
  return (
    <QuickButton
      name={name}
      onPress={onPress}
      style={[
        styles.tile,
        wide && styles.wide,
        {
          // A border that grows would lay the whole page out anew; a shadow of its width does not.
          boxShadow: `inset 0 0 0 ${tone === 'plain' ? `1.4px ${tokens.line}` : `2.2px ${tokens.ink}`}`,
          backgroundColor: tone === 'enters' ? tokens.enamelTint : tokens.sheet,
        },
      ]}
    >
      <View style={[StyleSheet.absoluteFill, styles.face]}>
        <Words as="figure" color={color}>
          {figure}
        </Words>
        <Words as="label" color={color}>
          {word}
        </Words>
      </View>
    </QuickButton>
  );
}

const styles = StyleSheet.create({
  wide: { width: 2 * TILE },
  // Room for the line around what has the focus; the tiles stand where the words do.
  around: { marginHorizontal: -5 },
  row: { gap: space.small, padding: 5 },
  tile: { width: TILE, height: 64, borderRadius: radius - 2 },
  // A tapped tile lays out what is written on it, and not the page.
  face: webStyle({ contain: 'strict', alignItems: 'center', justifyContent: 'center' }),
});
