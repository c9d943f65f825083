import type { Observation } from '@longbar/core';
import {
  adjustersOf,
  camLanes,
  cycleDegrees,
  markWhere,
  readId,
  seatingOf,
  whereTask,
  wiggle,
} from '@longbar/core';
import { useMemo, useState } from 'react';
import type { MapCell } from '../../drawing/mapCell';
import { useCrank, useRestingAt } from '../../drawing/crank';
import { HeadMap } from '../../drawing/HeadMap';
import { TurnableCamMap } from '../../drawing/TurnableCamMap';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { ExerciseProps } from './exerciseProps';
import { usePracticeWorker } from './usePracticeWorker';

const LIES: Record<ExerciseProps['level'], string> = {
  1: 'Every rocker tells the truth, but near the edge of a lobe it may feel either way.',
  2: 'One rocker is tight: it feels firm wherever it stands.',
  3: 'One rocker is tight and one has slack: they mislead.',
};

/** Where is it? Cylinders are wiggled until the line can be laid where the crank stands. */
export function WhereExercise({ sheet, level, seed, width, onMarked }: ExerciseProps) {
  const task = useMemo(() => whereTask(sheet, seed, level), [sheet, seed, level]);
  const [seen, setSeen] = useState<readonly Observation[]>([]);
  const [wiggled, setWiggled] = useState<readonly number[]>([]);
  const [marked, setMarked] = useState(false);
  const { result: enough, failed } = usePracticeWorker(
    `enough ${level} ${seed} ${sheet.name}`,
    (worker) => worker.enough(sheet, seed, level),
  );
  const crank = useCrank();
  const laid = useRestingAt(crank) !== 0;
  const lanes = useMemo(() => camLanes(sheet), [sheet]);
  const feel = (id: string) => {
    const { cylinder } = readId(id);
    if (marked || wiggled.includes(cylinder)) return;
    setWiggled([...wiggled, cylinder]);
    setSeen([...seen, ...wiggle(sheet, task.engine, cylinder)]);
  };
  const mark = () => {
    if (enough === undefined) return;
    setMarked(true);
    const [said, wiggles] = [crank.at(), wiggled.length];
    onMarked(markWhere(sheet, { said, crank: task.crank, wiggles, enough }));
    crank.turn(task.crank);
  };
  return (
    <Stack>
      <Words as="heading">Wiggle as few cylinders as you need, then lay the line</Words>
      <Words>{LIES[level]}</Words>
      <HeadMap
        banks={seatingOf(sheet)}
        cells={feltCells(sheet, seen)}
        width={width}
        onSelect={feel}
      />
      <Words as="strong" role="status">
        {wiggled.length} of {sheet.firing.order.length} cylinders wiggled. Lit is loose, grey is
        firm.
      </Words>
      <TurnableCamMap
        lanes={lanes}
        cycle={cycleDegrees(sheet)}
        at={0}
        crank={crank}
        stops={[]}
        width={width}
      />
      {!marked && (
        <Act
          weight="primary"
          label={laid ? 'It stands here' : 'Lay the line first'}
          disabled={!laid || enough === undefined}
          onPress={mark}
        />
      )}
      {failed !== undefined && (
        <Words color="stop" role="alert">
          The best way could not be worked out: {failed}
        </Words>
      )}
      {marked && <Words as="strong">It stood where the line is now: {task.crank}°.</Words>}
    </Stack>
  );
}

function feltCells(
  sheet: ExerciseProps['sheet'],
  seen: readonly Observation[],
): Record<string, MapCell> {
  return Object.fromEntries(
    adjustersOf(sheet).map(({ id }): [string, MapCell] => {
      const state = seen.find((each) => 'id' in each && each.id === id)?.state;
      return [
        id,
        {
          here: state === 'loose',
          onLobe: state === 'firm',
          progress: 'none',
          selected: false,
          says: state ?? 'not wiggled',
        },
      ];
    }),
  );
}
