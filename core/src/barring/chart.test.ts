import { engine, inlineSix, planned } from '../../test-support/engines';
import {
  planWork,
  chartConflicts,
  isRefused,
  jobPlan,
  foldJob,
  openConflicts,
  planBarring,
} from '..';
import { setting, settingOn } from '../../test-support/journal';

const chart = [
  { mark: 'I', turn: 1 as const, set: ['intake.1', 'exhaust.1', 'intake.6'] },
  { mark: 'I', turn: 2 as const, set: ['intake.6', 'exhaust.6'] },
];

describe('the manual’s chart against the model', () => {
  it('names what stands on its lobe, twice or nowhere', () => {
    const conflicts = chartConflicts(inlineSix({ chart }));
    const of = (id: string) => conflicts.filter((each) => each.id === id).map(({ why }) => why);
    expect(of('intake.6').sort()).toEqual(['on lobe', 'placed twice']);
    expect(of('exhaust.1')).toEqual([]);
    expect(of('intake.2')).toEqual(['not placed']);
  });

  it('keeps the answer beside the conflict it answers, and only that', () => {
    const answer = {
      id: 'intake.6',
      why: 'on lobe' as const,
      answer: 'Printed so',
      by: 'Ina',
      date: '2026-05-02',
    };
    const sheet = inlineSix({ chart, chartAnswers: [answer] });
    expect(openConflicts(sheet)).toHaveLength(openConflicts(inlineSix({ chart })).length - 1);
    expect(chartConflicts(sheet)).toContainEqual(
      expect.objectContaining({ id: 'intake.6', why: 'on lobe', answer }),
    );
  });

  it('has nothing to say without a chart', () => {
    expect(chartConflicts(inlineSix())).toEqual([]);
  });
});

describe('what a plan leaves over', () => {
  it('follows as further stops of the job, told by the rocker to watch', () => {
    const { adjusters } = inlineSix();
    const brake = { kind: 'brake' as const, setAt: { peak: 'intake' as const } };
    const sheet = inlineSix({ adjusters: [...adjusters, brake] });
    const method = 'two-position' as const;
    const own = planned(planBarring(sheet, { method }));
    const ofJob = jobPlan({ ...settingOn(sheet), head: { ...setting.head, method } }, foldJob([]));
    if (isRefused(ofJob)) throw new Error(ofJob.says);
    expect(own.leftOver).toHaveLength(6);
    expect(ofJob.leftOver).toEqual([]);
    expect(ofJob.stops.filter(({ watch }) => !watch)).toHaveLength(own.stops.length);
    const further = ofJob.stops.filter(({ watch }) => watch);
    expect(further.flatMap(({ set }) => set.map(({ id }) => id)).sort()).toEqual(
      [1, 2, 3, 4, 5, 6].map((cylinder) => `brake.${cylinder}`),
    );
    for (const stop of further) {
      const [cylinder] = stop.set.map(({ id }) => id.split('.')[1]);
      expect(stop.watch).toMatchObject({ id: `intake.${cylinder}`, state: 'peak' });
    }
    const way = ofJob.stops.reduce((sum, { turn }) => sum + turn, 0);
    expect(ofJob.totalTurn).toBe(way);
    expect((ofJob.stops[0]!.at + way) % 720).toBe(ofJob.stops[ofJob.stops.length - 1]!.at);
  });
});

describe('a stop at which nothing is set', () => {
  it('is no stop of the job, and its way is added to the next', () => {
    const sheet = engine([1]);
    const own = planned(planBarring(sheet, { method: 'two-position' }));
    expect(own.stops.map(({ set }) => set.length)).toEqual([2, 0]);
    const ofJob = planned(planWork(sheet, { method: 'two-position', startAt: 100 }));
    expect(ofJob.stops.map(({ at, turn }) => [at, turn])).toEqual([[0, 620]]);
  });
});
