import {
  adjustersOf,
  camLanes,
  cycleDegrees,
  firingOf,
  markSettable,
  seatingOf,
  settableTask,
  standing,
} from '@longbar/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { CamMap } from '../../drawing/CamMap';
import { EngineDial } from '../../drawing/EngineDial';
import { HeadMap } from '../../drawing/HeadMap';
import type { MapCell } from '../../drawing/mapCell';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { engineCells } from '../sheets/engineCells';
import type { ExerciseProps } from './exerciseProps';

/** What may be set? The rockers are tapped at a place of the crank. */
export function SetExercise({ sheet, level, seed, width, onMarked }: ExerciseProps) {
  const at = useMemo(() => settableTask(sheet, seed, level), [sheet, seed, level]);
  const [tapped, setTapped] = useState<readonly string[]>([]);
  const [marked, setMarked] = useState(false);
  const firing = firingOf(sheet);
  const [first = 1] = firing.order;
  const toggle = (id: string) =>
    setTapped(tapped.includes(id) ? tapped.filter((each) => each !== id) : [...tapped, id]);
  const cells = marked ? engineCells(sheet, at) : tappedCells(sheet, tapped);
  return (
    <Stack>
      <Words as="heading">Tap every rocker that may be set here</Words>
      <Words>
        No. {first} stands {Math.round(standing(firing, first, at))}° after its firing top.
      </Words>
      <Words as="strong">Firing order {firing.order.join('-')}</Words>
      <HeadMap
        banks={seatingOf(sheet)}
        cells={cells}
        width={width}
        fine
        {...(!marked && { onSelect: toggle })}
      />
      <View style={{ alignItems: 'center' }}>
        <EngineDial sheet={sheet} at={at} size={150} />
      </View>
      {(marked || level === 1) && (
        <CamMap
          lanes={camLanes(sheet)}
          cycle={cycleDegrees(sheet)}
          at={at}
          stops={[]}
          width={width}
        />
      )}
      {!marked && (
        <Act
          weight="primary"
          label={`Mark it: ${tapped.length} tapped`}
          onPress={() => {
            setMarked(true);
            onMarked(markSettable(sheet, at, tapped));
          }}
        />
      )}
    </Stack>
  );
}

function tappedCells(
  sheet: ExerciseProps['sheet'],
  tapped: readonly string[],
): Record<string, MapCell> {
  return Object.fromEntries(
    adjustersOf(sheet).map(({ id }): [string, MapCell] => {
      const here = tapped.includes(id);
      const says = here ? 'tapped' : 'not tapped';
      return [id, { here, onLobe: false, progress: 'none', selected: false, says }];
    }),
  );
}
