import { barredTo, journal } from '../../../test-support/journal';
import { PLAN, SETTING, START, targetOf } from '../../../test-support/shimmedSix';
import type { JobAct } from '../..';
import { adjusterInstruction, foldJob, planShims, shimPlanTaken, shimRows, shimStage } from '../..';
import { wantedOf } from './atWork';

const ID = PLAN.stops[0]!.set[0]!.id;
const read = (id: string, phase: 'found' | 'again', go: number, noGo: number | null): JobAct => ({
  ...{ type: 'reading.taken', adjuster: id, phase },
  reading: {
    go: targetOf(id) + go,
    noGo: noGo === null ? null : targetOf(id) + noGo,
    how: 'go-no-go',
  },
});

/** One is left unsettled, and nobody asked which shim is in it; all others are measured, and stay. */
const measured: JobAct[] = [
  ...START,
  ...PLAN.stops.flatMap(({ at, set }, stop): JobAct[] => [
    ...(stop > 0 ? barredTo(at as 0 | 360) : []),
    ...set.flatMap(({ id }): JobAct[] =>
      id === ID
        ? [
            read(id, 'found', -60, -20),
            { type: 'adjuster.kept', adjuster: id },
            { type: 'adjuster.painted', adjuster: id },
          ]
        : [read(id, 'found', -25, 25), { type: 'shim.found', adjuster: id, size: 2600 }],
    ),
  ]),
];
const stateOf = (acts: readonly JobAct[]) => foldJob(journal([...acts]));
const shims = planShims(shimRows(SETTING, stateOf(measured), PLAN), {
  ...{ stock: [], buy: { from: 2200, to: 3000, step: 50 } },
  policy: 'leave-inside',
});
const done = [...measured, ...shimPlanTaken(shims, stateOf(measured))];

it('stays as it is by no plan, and is read on where the round finds it outside by one blade', () => {
  expect(shims.rows.map(({ id }) => id)).not.toContain(ID);
  expect(shimStage(SETTING.sheet, stateOf(done), PLAN)).toEqual({ stage: 'done' });
  const open = stateOf([...done, read(ID, 'again', 60, null)]);
  expect(wantedOf(SETTING, open, PLAN)).toMatchObject({
    step: 'round',
    ids: expect.arrayContaining([ID]),
  });
  // Known from both sides, its shim is asked for.
  const known = stateOf([...done, read(ID, 'again', 60, 110)]);
  expect(wantedOf(SETTING, known, PLAN)).toEqual({ step: 'stop', ids: [ID] });
  expect(adjusterInstruction(SETTING, known, ID)).toMatchObject({ do: 'answer', ask: 'shim' });
});
