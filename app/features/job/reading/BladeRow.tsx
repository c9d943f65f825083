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
  formatLength,
  formatLengthAlone,
  layOutBlades,
  leafWord,
  markedIn,
  steppedBlades,
  toSet,
} from '@longbar/core';
import { memo, useEffect, useMemo, useRef } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { radius, space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { useQuickPress } from '../../../ui/useQuickPress';
import { Words } from '../../../ui/Words';
import { nearestInRow } from './nearestInRow';

type Props = {
  set: BladeSet;
  spec: SettingSpec;
  tried: readonly Trial[];
  /** Laid out from the thickest instead of from the thinnest. */
  thickFirst?: boolean;
  onTap: (size: number) => void;
  onTapLeaf: (leaf: SteppedBlade) => void;
};

const TILE = 74;

/** The blade set itself, laid out around the spec: tap what enters, tap again what stops. */
export function BladeRow({ set, spec, tried, thickFirst = false, onTap, onTapLeaf }: Props) {
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
  }, [nearest, set]);
  const unit = markedIn(set);
  return (
    <ScrollView
      ref={row}
      horizontal
      role="group"
      aria-label={`Blades of the ${set.name}`}
      contentContainerStyle={styles.row}
    >
      {laid.map((blade) => (
        <BladeTile
          key={`${blade.size} ${blade.of?.join('+') ?? ''}`}
          blade={blade}
          unit={unit}
          trial={tried.find(({ size }) => size === blade.size)}
          nominal={blade === nominal}
          onTap={onTap}
        />
      ))}
      {leaves.map((leaf) => {
        const word = leafWord(tried, leaf);
        const [thin, thick] = [
          formatLengthAlone(leaf.go, unit),
          formatLengthAlone(leaf.noGo, unit),
        ];
        return (
          <Tile
            key={leaf.go}
            name={`Leaf ${thin} and ${thick}: ${word}`}
            figure={`${thin} ${thick}`}
            word={word === 'not tried' ? 'go · no-go' : word}
            tone={word === 'not tried' ? 'plain' : word === 'thin end enters' ? 'enters' : 'tried'}
            wide
            onPress={() => onTapLeaf(leaf)}
          />
        );
      })}
    </ScrollView>
  );
}

type TileProps = {
  blade: LaidOut;
  unit: LengthUnit;
  trial: Trial | undefined;
  nominal: boolean;
  onTap: (size: number) => void;
};

const BladeTile = memo(function BladeTile({ blade, unit, trial, nominal, onTap }: TileProps) {
  const { size, of } = blade;
  const word = trial === undefined ? 'not tried' : trial.enters ? 'enters' : 'stops';
  const plain = of
    ? of.map((part) => formatLengthAlone(part, unit)).join('+')
    : nominal
      ? 'nominal'
      : '·';
  return (
    <Tile
      name={`${formatLength(size, unit)}${of ? ' stack' : ''}: ${word}`}
      figure={formatLengthAlone(size, unit)}
      word={trial ? word : plain}
      tone={trial === undefined ? 'plain' : trial.enters ? 'enters' : 'tried'}
      wide={(of?.length ?? 0) > 2}
      onPress={() => onTap(size)}
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
  const press = useQuickPress(onPress);
  const color = tone === 'plain' ? 'secondInk' : 'ink';
  return (
    <Pressable
      role="button"
      aria-label={name}
      {...press}
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
    </Pressable>
  );
}

const styles = StyleSheet.create({
  wide: { width: 2 * TILE },
  row: { gap: space.small, paddingVertical: 2 },
  tile: { width: TILE, height: 64, borderRadius: radius - 2 },
  // A tapped tile lays out what is written on it, and not the page.
  face: webStyle({ contain: 'strict', alignItems: 'center', justifyContent: 'center' }),
});
