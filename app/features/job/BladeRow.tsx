import type { BladeSet, LaidOut, Spec, Trial } from '@longbar/core';
import { bladeFor, formatMillimetres, formatThou, layOutBlades } from '@longbar/core';
import { useEffect, useMemo, useRef } from 'react';
import { Pressable, ScrollView, StyleSheet } from 'react-native';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';

type Props = {
  set: BladeSet;
  spec: Spec;
  tried: readonly Trial[];
  onTap: (size: number) => void;
};

const TILE = 74;

/** The blade set itself, laid out around the spec: tap what enters, tap again what stops. */
export function BladeRow({ set, spec, tried, onTap }: Props) {
  const laid = useMemo(() => layOutBlades(set, spec), [set, spec]);
  const row = useRef<ScrollView>(null);
  const nominal = bladeFor(laid, spec.target);
  const middle = laid.findIndex(({ size }) => size >= (nominal?.size ?? spec.target));
  useEffect(() => {
    row.current?.scrollTo({ x: Math.max(0, (middle - 2) * (TILE + space.small)), animated: false });
  }, [middle, set]);
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
          unit={set.unit}
          trial={tried.find(({ size }) => size === blade.size)}
          nominal={blade === nominal}
          onTap={onTap}
        />
      ))}
    </ScrollView>
  );
}

type TileProps = {
  blade: LaidOut;
  unit: BladeSet['unit'];
  trial: Trial | undefined;
  nominal: boolean;
  onTap: (size: number) => void;
};

function BladeTile({ blade, unit, trial, nominal, onTap }: TileProps) {
  const tokens = useTokens();
  const { size, of } = blade;
  const format = unit === 'mm' ? formatMillimetres : formatThou;
  const word = trial === undefined ? 'not tried' : trial.enters ? 'enters' : 'stops';
  const unitWord = unit === 'mm' ? 'mm' : 'thou';
  return (
    <Pressable
      role="button"
      aria-label={`${format(size)} ${unitWord}${of ? ' stack' : ''}: ${word}`}
      onPress={() => onTap(size)}
      style={[
        styles.tile,
        {
          borderColor: trial ? tokens.ink : tokens.line,
          borderWidth: trial ? 2.2 : 1.4,
          backgroundColor: trial?.enters ? tokens.enamelTint : tokens.sheet,
        },
      ]}
    >
      <Words as="figure" color={trial ? 'ink' : 'secondInk'}>
        {format(size)}
      </Words>
      <Words as="label" color={trial ? 'ink' : 'secondInk'}>
        {trial ? word : of ? of.map((part) => format(part)).join('+') : nominal ? 'nominal' : '·'}
      </Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  row: { gap: space.small, paddingVertical: 2 },
  tile: {
    width: TILE,
    minHeight: 64,
    borderRadius: radius - 2,
    alignItems: 'center',
    justifyContent: 'center',
    paddingVertical: 6,
  },
});
