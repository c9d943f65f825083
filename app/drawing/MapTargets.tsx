import { itemAt } from '@longbar/core';
import { memo, useMemo, useRef } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { HeadGeometry, SeatedBank } from '@longbar/core';
import { elementOf } from '../ui/domNode.web';
import { useSame } from '../ui/useSame';
import type { MapCell } from './mapCell';
import { isEnded, spoken } from './mapCell';

type Props = {
  bank: SeatedBank;
  cells: Readonly<Record<string, MapCell>>;
  column: number;
  geometry: HeadGeometry;
  fine: boolean;
  ids: string[];
  onSelect: (id: string) => void;
};

/** What one taps on the map: columns under a thumb, single rockers under a pointer. */
export function MapTargets({ bank, cells, column, geometry, fine, ids, onSelect }: Props) {
  if (fine) return <RockerTargets {...{ cells, geometry, ids, onSelect }} />;
  return <ColumnTargets {...{ bank, cells, column, onSelect }} height={geometry.height} />;
}

type ColumnsProps = Pick<Props, 'bank' | 'cells' | 'column' | 'onSelect'> & { height: number };

/** A column for each cylinder, drawn anew only where what it says has changed. */
function ColumnTargets({ bank, cells, column, onSelect, height }: ColumnsProps) {
  const press = useSame((own: readonly string[]) => onSelect(nextOf(own, cells)));
  const columns = useMemo(
    () => bank.cylinders.map(({ adjusters }) => adjusters.map(({ id }) => id)),
    [bank],
  );
  return (
    <View style={StyleSheet.absoluteFill}>
      {bank.cylinders.map(({ cylinder }, i) => {
        const own = itemAt(columns, i);
        const says = own.map((id) => spoken(id, cells[id])).join('. ');
        return (
          <ColumnTarget
            key={cylinder}
            says={`Cylinder ${cylinder}. ${says}`}
            left={column * i}
            width={column}
            {...{ own, height }}
            onPress={press}
          />
        );
      })}
    </View>
  );
}

type ColumnProps = {
  says: string;
  own: readonly string[];
  left: number;
  width: number;
  height: number;
  onPress: (own: readonly string[]) => void;
};

const ColumnTarget = memo(function ColumnTarget(props: ColumnProps) {
  const { says, own, left, width, height, onPress } = props;
  return (
    <Pressable
      role="button"
      aria-label={says}
      onPress={() => onPress(own)}
      style={{ position: 'absolute', left, top: 0, width, height }}
    />
  );
});

/** Tapping a column goes to what may be set and is not finished; again, to its neighbour. */
function nextOf(own: readonly string[], cells: Props['cells']): string {
  const selected = own.findIndex((id) => cells[id]?.selected);
  if (selected >= 0) return itemAt(own, (selected + 1) % own.length);
  const open = own.find((id) => cells[id]?.here && !isEnded(cells[id]));
  return open ?? own.find((id) => cells[id]?.here) ?? itemAt(own, 0);
}

type RockerTargetsProps = Pick<Props, 'cells' | 'geometry' | 'ids' | 'onSelect'>;
type KeyPress = { key: string; preventDefault(): void };

/** Each rocker by itself; the arrow keys move along the head, one stop for the Tab key. */
function RockerTargets({ cells, geometry, ids, onSelect }: RockerTargetsProps) {
  const targets = useRef(new Map<string, HTMLElement>());
  const entry = ids.find((id) => cells[id]?.selected) ?? ids[0];
  const onKeyDown = (id: string) => (event: KeyPress) => {
    const to = placeAfter(event.key, ids.indexOf(id), ids.length);
    if (to === undefined) return;
    event.preventDefault();
    targets.current.get(itemAt(ids, to))?.focus();
  };
  const width = Math.max(24, 28 * geometry.scale);
  return (
    <View style={StyleSheet.absoluteFill} role="group" aria-label="Rockers from the front">
      {geometry.places.map(({ id, x }) => (
        <Pressable
          key={id}
          ref={(node) => {
            if (node) targets.current.set(id, elementOf(node));
            else targets.current.delete(id);
          }}
          role="button"
          aria-label={spoken(id, cells[id])}
          aria-pressed={cells[id]?.selected ?? false}
          tabIndex={id === entry ? 0 : -1}
          onPress={() => onSelect(id)}
          {...{ onKeyDown: onKeyDown(id) }}
          style={{
            position: 'absolute',
            left: x - width / 2,
            top: 0,
            width,
            height: geometry.height,
          }}
        />
      ))}
    </View>
  );
}

/** Where an arrow key leads from a place; undefined for any other key. */
function placeAfter(key: string, place: number, count: number): number | undefined {
  switch (key) {
    case 'ArrowRight':
    case 'ArrowDown':
      return Math.min(count - 1, place + 1);
    case 'ArrowLeft':
    case 'ArrowUp':
      return Math.max(0, place - 1);
    case 'Home':
      return 0;
    case 'End':
      return count - 1;
    default:
      return undefined;
  }
}
