import { itemAt, spiralOrder } from '@longbar/core';
import { useState } from 'react';
import { FastenerPlacer } from '../../../drawing/FastenerPlacer';
import { space } from '../../../theme/tokens';
import { Act } from '../../../ui/Act';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { MapRoom } from '../MapRoom';

type Place = { x: number; y: number };
type Props = {
  of: string;
  /** In the order in which they are run down. */
  fasteners: readonly Place[];
  /** So many columns to begin with. */
  columns: number;
  error: string | undefined;
  onOrder: (fasteners: readonly Place[]) => void;
};

const LEAST = 1;
const MOST_COLUMNS = 20;
const MOST_ROWS = 4;

/** Where the fasteners lie, seen from above, and their order: tapped, or a spiral from the middle. */
export function FastenerOrder({ of, fasteners, columns, error, onOrder }: Props) {
  const [size, setSize] = useState(() => sizeOf(fasteners, columns));
  const places = placesOf(fasteners, size);
  const resize = (change: Partial<typeof size>) => {
    const next = { ...size, ...change };
    setSize(next);
    onOrder(fasteners.filter(({ x, y }) => x < next.columns && y < next.rows));
  };
  const tap = (place: Place) => {
    const known = fasteners.some((each) => isSame(each, place));
    onOrder(known ? fasteners.filter((each) => !isSame(each, place)) : [...fasteners, place]);
  };
  return (
    <Stack gap={space.small}>
      <Words as="strong">Tap the fasteners in their order</Words>
      <Stepper
        name={`${of}: columns`}
        says={`${size.columns} along the head`}
        value={size.columns}
        most={MOST_COLUMNS}
        onStep={(next) => resize({ columns: next })}
      />
      <Stepper
        name={`${of}: rows`}
        says={`${size.rows} across it`}
        value={size.rows}
        most={MOST_ROWS}
        onStep={(next) => resize({ rows: next })}
      />
      <MapRoom>
        {(width) => <FastenerPlacer {...{ of, places, fasteners, width }} onTap={tap} />}
      </MapRoom>
      <Row>
        <Act
          label="Spiral from the middle"
          name={`${of}: spiral from the middle`}
          style={{ flex: 1 }}
          onPress={() => onOrder(spiralOrder(places).map((i) => itemAt(places, i)))}
        />
        <Act
          label="Begin again"
          name={`${of}: begin again with the order`}
          style={{ flex: 1 }}
          disabled={fasteners.length === 0}
          onPress={() => onOrder([])}
        />
      </Row>
      {error !== undefined && fasteners.length > 0 && (
        <Words color="stop" role="alert">
          {error}
        </Words>
      )}
    </Stack>
  );
}

type StepperProps = {
  name: string;
  says: string;
  value: number;
  most: number;
  onStep: (next: number) => void;
};

function Stepper({ name, says, value, most, onStep }: StepperProps) {
  return (
    <Row style={{ alignItems: 'center' }}>
      <Act
        label="−"
        name={`${name}, one fewer`}
        disabled={value <= LEAST}
        onPress={() => onStep(value - 1)}
      />
      <Words style={{ flex: 1, textAlign: 'center' }}>{says}</Words>
      <Act
        label="+"
        name={`${name}, one more`}
        disabled={value >= most}
        onPress={() => onStep(value + 1)}
      />
    </Row>
  );
}

function sizeOf(fasteners: readonly Place[], columns: number): { columns: number; rows: number } {
  if (fasteners.length === 0) return { columns: Math.min(columns, MOST_COLUMNS), rows: 2 };
  const most = (of: (place: Place) => number) => Math.floor(Math.max(...fasteners.map(of))) + 1;
  return { columns: most(({ x }) => x), rows: most(({ y }) => y) };
}

/** Every place of the grid, and what lies between: an order from a file need not lie on one. */
function placesOf(fasteners: readonly Place[], size: { columns: number; rows: number }): Place[] {
  const grid = Array.from({ length: size.rows * size.columns }, (_, i) => ({
    x: i % size.columns,
    y: Math.floor(i / size.columns),
  }));
  const between = fasteners.filter((each) => !grid.some((place) => isSame(each, place)));
  return [...grid, ...between];
}

function isSame(a: Place, b: Place): boolean {
  return a.x === b.x && a.y === b.y;
}
