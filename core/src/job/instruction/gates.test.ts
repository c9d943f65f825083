import { inlineSix } from '../../../test-support/engines';
import {
  foundAtMark,
  journal,
  keepAsFound,
  readAgain,
  setting,
  uuid,
  wholeJob,
} from '../../../test-support/journal';
import type { EngineSheet, Instruction, JobAct } from '../..';
import {
  crankOfJob,
  deviationsOf,
  dueActs,
  foldJob,
  isRefused,
  jobInstruction,
  jobPlan,
  jobSteps,
  mayReturn,
  settingOf,
} from '../..';

const NOW = '2026-05-02T18:00:00.000Z';
const before = wholeJob().slice(0, 7);

/** What is asked next after these acts, on this sheet. */
function next(
  acts: readonly JobAct[],
  sheet: EngineSheet = setting.sheet,
): Instruction | undefined {
  return jobInstruction({ ...setting, sheet }, journal(acts), NOW);
}
const without = (type: JobAct['type']) => before.filter((act) => act.type !== type);

describe('a gate is closed until it is met, or exempted with a reason', () => {
  it('asks why first, and for nothing else', () => {
    expect(next([])).toMatchObject({
      do: 'answer',
      ask: 'why',
      step: 'why',
      missing: [{ code: 'why' }],
    });
  });

  it('hours: the meter’s, doubtful ones too, or why they cannot be read', () => {
    expect(next(without('hours.read'))).toMatchObject({ do: 'answer', ask: 'hours' });
    for (const act of [
      { type: 'hours.read', hours: 12, replaced: true },
      { type: 'gate.exempted', gate: 'hours', reason: 'Display is dark' },
    ] as JobAct[]) {
      const acts = [...without('hours.read'), act];
      expect(next(acts)).toMatchObject({ do: 'bar' });
      expect(deviationsOf(foldJob(journal(acts)))).toEqual([
        expect.objectContaining({ by: 'Ina', reason: expect.stringMatching(/replaced|dark/) }),
      ]);
    }
  });

  it('temperature: the clock, the metal itself, or a reason', () => {
    const metal = inlineSix({
      temperature: { state: 'cold', soakMinutes: 240, metal: { to: 30 } },
    });
    const cold = without('cold.stated');
    expect(next(cold)).toMatchObject({ do: 'answer', ask: 'temperature' });
    expect(next([...cold, { type: 'metal.read', celsius: 41 }], metal)).toMatchObject({
      ask: 'temperature',
      missing: [{ code: 'metal' }],
    });
    expect(next([...cold, { type: 'metal.read', celsius: 21 }], metal)).toMatchObject({
      do: 'bar',
    });
    const exempt: JobAct = { type: 'gate.exempted', gate: 'temperature', reason: 'Strike' };
    expect(next([...cold, exempt])).toMatchObject({ do: 'bar' });
  });

  it('lets the engine be opened while it rests, and reads nothing meanwhile', () => {
    const resting = before.map((act): JobAct =>
      act.type === 'cold.stated' ? { ...act, since: '2026-05-02T17:00:00.000Z' } : act,
    );
    expect(next(resting)).toMatchObject({ do: 'bar', step: 'find' });
    const found = next([...resting, ...foundAtMark()]);
    expect(found).toMatchObject({ do: 'answer', ask: 'temperature', missing: [{ code: 'rest' }] });
  });

  it('data tag: one of the sheet’s, or none of them with a reason', () => {
    const sheet = inlineSix({ variants: [{ tag: 'B7' }] });
    expect(next(before, sheet)).toMatchObject({ do: 'answer', ask: 'tag', tags: ['B7'] });
    expect(next([...before, { type: 'tag.read', tag: '' }], sheet)).toMatchObject({ ask: 'tag' });
    const reason: JobAct = { type: 'tag.read', tag: '', reason: 'Plate gone, figures by phone' };
    expect(next([...before, reason], sheet)).toMatchObject({ do: 'bar' });
    expect(next([...before, { type: 'tag.read', tag: 'B7' }], sheet)).toMatchObject({ do: 'bar' });
  });

  it('rotation that the sheet does not give is asked, never invented', () => {
    const { rotation: _, ...sheet } = inlineSix();
    expect(next(before, sheet)).toMatchObject({ do: 'answer', ask: 'rotation' });
    const stated: JobAct = { type: 'rotation.stated', sense: 'counterclockwise', seenFrom: 'rear' };
    expect(next([...before, stated], sheet)).toMatchObject({
      do: 'bar',
      rotation: { sense: 'counterclockwise', seenFrom: 'rear' },
    });
  });

  it('a method that the engine refuses is changed in the journal', () => {
    const manual = { ...setting, head: { ...setting.head, method: 'manual' as const } };
    const ask = (acts: JobAct[]) => jobInstruction({ ...manual }, journal(acts), NOW);
    expect(ask(before)).toMatchObject({ do: 'answer', ask: 'method' });
    expect(ask([...before, { type: 'method.changed', method: 'each' }])).toMatchObject({
      do: 'bar',
    });
  });
});

describe('what no longer stands is asked for again', () => {
  const variants = [
    { tag: 'A1' },
    {
      tag: 'B7',
      adjusters: [{ kind: 'intake' as const, spec: { low: 180, target: 230, high: 280 } }],
    },
  ];
  const sheet = inlineSix({ variants });
  const tagged: JobAct[] = [...before, { type: 'tag.read', tag: 'A1' }];

  it('after another tag, what was finished by the figures of the first', () => {
    const acts = [...tagged, ...foundAtMark(), ...keepAsFound('intake.1')];
    expect(next(acts, sheet)).toMatchObject({ do: 'read', id: 'intake.2', phase: 'found' });
    const changed: JobAct[] = [...acts, { type: 'tag.read', tag: 'B7' }];
    expect(next(changed, sheet)).toMatchObject({ do: 'adjust', id: 'intake.1' });
    const state = foldJob(journal(changed));
    const stops = jobSteps(settingOf({ ...setting, sheet }, state), state, NOW);
    expect(stops.find(({ id }) => id === 'stop')?.missing).toContainEqual({
      code: 'adjuster',
      id: 'intake.1',
    });
  });

  it('outside its limits on the round: it is set there', () => {
    const acts = wholeJob();
    const round = acts.findIndex((act) => act.type === 'reading.taken' && act.phase === 'again');
    const loose = { go: 450, noGo: 500, how: 'go-no-go' as const };
    const again = { ...(acts[round] as JobAct & { type: 'reading.taken' }), reading: loose };
    const outside = [...acts.slice(0, round), again];
    expect(next(outside)).toMatchObject({ do: 'adjust', step: 'stop', id: again.adjuster });
    const lock: JobAct = { type: 'adjuster.locked', adjuster: again.adjuster, how: 'feel' };
    expect(next([...outside, lock])).toMatchObject({ do: 'read', phase: 'left' });
  });

  it('a reading on the round that spans a limit is tried at the limit, or left so', () => {
    const acts = wholeJob();
    const round = acts.findIndex((act) => act.type === 'reading.taken' && act.phase === 'again');
    const spans = { go: 250, noGo: 300, how: 'go-no-go' as const };
    const again = { ...(acts[round] as JobAct & { type: 'reading.taken' }), reading: spans };
    const unsure = [...acts.slice(0, round), again];
    expect(next(unsure)).toMatchObject({ do: 'settle', phase: 'again', tries: [280] });
    const accepted: JobAct = { type: 'adjuster.painted', adjuster: again.adjuster };
    expect(next([...unsure, accepted])).not.toMatchObject({ id: again.adjuster });
  });

  it('the round reads one of each kind, whatever the rule, and not before the crank was turned', () => {
    const acts = wholeJob();
    const round = acts.findIndex((act) => act.type === 'reading.taken' && act.phase === 'again');
    const lastStop = acts.slice(0, round).findLastIndex(({ type }) => type === 'crank.turned');
    expect(next(acts.slice(0, lastStop))).toMatchObject({ do: 'bar', step: 'round', to: 0 });
    const ids = acts.flatMap((act) =>
      act.type === 'reading.taken' && act.phase === 'again' ? [act.adjuster] : [],
    );
    expect(new Set(ids.map((id) => id.split('.')[0]))).toEqual(new Set(['intake', 'exhaust']));
    expect(readAgain(ids[0] as string)).toMatchObject({ phase: 'again' });
  });
});

describe('what the manual’s chart places off its condition', () => {
  const chart = [
    {
      mark: 'I',
      turn: 1,
      set: ['intake.1', 'intake.2', 'intake.4', 'exhaust.1', 'exhaust.3', 'exhaust.5'],
    },
    {
      mark: 'I',
      turn: 2,
      set: ['intake.3', 'intake.5', 'intake.6', 'exhaust.6', 'exhaust.4', 'exhaust.2'],
    },
  ];
  // Exhaust 2 is typed at the other stop, where it stands on its lobe.
  const slipped = [
    { ...chart[0], set: [...chart[0]!.set, 'exhaust.2'] },
    { ...chart[1], set: chart[1]!.set.filter((id) => id !== 'exhaust.2') },
  ];
  const sheet = inlineSix({ chart: slipped } as Partial<EngineSheet>);
  const byChart: JobAct = { type: 'method.changed', method: 'manual' };
  const found = [...before, byChart, ...foundAtMark()];
  const planned = (acts: JobAct[]): JobAct[] => {
    const state = foldJob(journal(acts));
    return [...acts, ...dueActs(settingOf({ ...setting, sheet }, state), state)];
  };
  const asked = planned(found);
  const planOf = (acts: JobAct[]) => {
    const state = foldJob(journal(acts));
    const plan = jobPlan(settingOf({ ...setting, sheet }, state), state);
    if (isRefused(plan)) throw new Error(plan.says);
    return plan.stops.map(({ at, set }) => ({ at, ids: set.map(({ id }) => id) }));
  };
  const servedAt = (acts: JobAct[]) =>
    planOf(acts).find(({ ids }) => ids.includes('exhaust.2'))?.at;

  it('is asked for by name, with how far it stands on its lobe', () => {
    const at = next(asked, sheet);
    expect(at).toMatchObject({ ask: 'chart', id: 'exhaust.2', at: 0 });
    expect(at?.do === 'answer' && at.ask === 'chart' && at.margin).toBeLessThan(0);
  });

  it('is set where its margin is largest, or by the chart with a reason as a deviation', () => {
    const moved: JobAct[] = [...asked, { type: 'adjuster.moved', adjuster: 'exhaust.2' }];
    expect(next(moved, sheet)).not.toMatchObject({ ask: 'chart' });
    expect(servedAt(moved)).toBe(360);
    const reason = 'The page of revision C';
    const placed: JobAct[] = [
      ...asked,
      { type: 'adjuster.placed', adjuster: 'exhaust.2', reason, stop: 0 },
    ];
    expect(servedAt(placed)).toBe(0);
    const deviations = (acts: JobAct[]) => deviationsOf(foldJob(journal(acts)));
    expect(deviations(placed)).toEqual([expect.objectContaining({ reason })]);
    // By another method it is set elsewhere after all; what was set by the chart already stays so.
    const otherwise: JobAct = { type: 'method.changed', method: 'two-position' };
    expect(deviations([...placed, otherwise])).toEqual([]);
    const set: JobAct = { type: 'adjuster.locked', adjuster: 'exhaust.2', how: 'feel' };
    expect(deviations([...placed, set, otherwise])).toHaveLength(1);
    const others = chart[0]!.set.flatMap((id) => keepAsFound(id));
    expect(next([...placed, ...others], sheet)).toMatchObject({ do: 'read', id: 'exhaust.2' });
  });
});

describe('an engine that goes back to work in the middle of its job', () => {
  const working = [...before, ...foundAtMark(), ...keepAsFound('intake.1')];
  const out: JobAct[] = [{ type: 'bar.out' }, { type: 'clear.said', person: 'Ina' }];
  const back: JobAct = { type: 'engine.returned', why: 'hot-run' };

  it('may only with the bar out and everyone clear', () => {
    expect(mayReturn(foldJob(journal(working)))).toBe(false);
    expect(mayReturn(foldJob(journal([...working, ...out.slice(0, 1)])))).toBe(false);
    expect(mayReturn(foldJob(journal([...working, ...out])))).toBe(true);
  });

  it('is isolated, opened and found anew; what was read stays', () => {
    const state = foldJob(journal([...working, ...out, back]));
    expect(state).toMatchObject({ isolations: {}, clear: {}, crank: { history: [] } });
    expect(state.opened).toBeUndefined();
    expect(state.barOut).toBeUndefined();
    expect(state.adjusters['intake.1']).toMatchObject({ painted: true });
    expect(next([...working, ...out, back])).toMatchObject({ ask: 'temperature' });
    const bump: JobAct = { type: 'engine.returned', why: 'bump' };
    expect(next([...working, ...out, bump])).toMatchObject({ do: 'isolate', isolation: 'battery' });
  });
});

describe('the crank in the journal', () => {
  const told = (events: ReturnType<typeof journal>) =>
    crankOfJob(setting.sheet, foldJob(events)).belief.told;

  it('is not told by what earlier versions took for a place in the plan', () => {
    const old = wholeJob().filter(({ type }) => !type.startsWith('crank.') && type !== 'plan.made');
    const acts: JobAct[] = [
      ...old.slice(0, 6),
      { type: 'rocker.felt', adjuster: 'intake.1', state: 'loose' },
      { type: 'position.found', angle: 0 },
      { type: 'stop.reached', stop: 0, round: false },
      ...keepAsFound('intake.1'),
    ];
    const state = foldJob(journal(acts));
    expect(crankOfJob(setting.sheet, state).belief.told).toBe(false);
    expect(state.adjusters['intake.1']).toMatchObject({
      found: { go: 300, noGo: 350 },
      painted: true,
    });
    const observed = journal(foundAtMark()).map((event) => ({ ...event, after: undefined }));
    expect(told(observed)).toBe(false);
  });

  it('has an unknown turn between two phones that did not know of each other', () => {
    const events = journal(foundAtMark());
    expect(told(events)).toBe(true);
    const [turned] = journal([{ type: 'crank.turned', degrees: 0, within: 0, how: 'barred' }]);
    const last = events[events.length - 1]?.id;
    const known = { ...turned!, id: uuid(900), n: 9, after: last };
    expect(told([...events, known])).toBe(true);
    expect(told([...events, { ...known, after: null }])).toBe(false);
  });

  it('counts after a pause or a handover only once somebody says that nobody turned it', () => {
    for (const doubt of [
      { type: 'work.paused', minutes: 12 },
      { type: 'job.handed', to: 'Orla' },
    ] as JobAct[]) {
      const acts = [...before, ...foundAtMark(), doubt];
      expect(next(acts)).toMatchObject({ do: 'answer', ask: 'turned' });
      expect(next([...acts, { type: 'crank.held' }])).toMatchObject({ do: 'read', id: 'intake.1' });
      expect(told(journal([...acts, ...foundAtMark().slice(0, 1)]))).toBe(false);
    }
  });

  it('takes no word of a rocker that is off until it is set', () => {
    const loosened: JobAct = { type: 'rockers.loosened', adjusters: ['intake.1', 'exhaust.1'] };
    expect(told(journal([loosened, ...foundAtMark()]))).toBe(false);
    const set: JobAct[] = ['intake.1', 'exhaust.1'].map((adjuster) => ({
      type: 'adjuster.locked',
      adjuster,
      how: 'feel',
    }));
    expect(told(journal([loosened, ...set, ...foundAtMark()]))).toBe(true);
    const head: JobAct = { type: 'why.noted', reason: 'head-work' };
    expect(told(journal([head, ...foundAtMark()]))).toBe(false);
    const peak: JobAct = { type: 'crank.observed', observation: { id: 'intake.1', state: 'peak' } };
    expect(told(journal([head, peak]))).toBe(true);
    // After head work what is left as it was read is set; what is only checked may be off still.
    const read = ['intake.1', 'exhaust.1', 'intake.6', 'exhaust.6'].flatMap(keepAsFound);
    const check: JobAct = { type: 'scope.chosen', checkOnly: true };
    expect(told(journal([head, ...read, ...foundAtMark()]))).toBe(true);
    expect(told(journal([head, check, ...read, ...foundAtMark()]))).toBe(false);
    const all: JobAct = { type: 'scope.chosen' };
    expect(told(journal([head, check, ...read, all, ...foundAtMark()]))).toBe(false);
  });

  it('asks everyone for clear who barred, helped, felt or worked at the rockers', () => {
    const helped: JobAct = { type: 'crank.turned', degrees: 20, how: 'barred', helper: 'Tam' };
    const events = [
      ...journal([helped]),
      ...journal(keepAsFound('intake.1'), 'Orla').map((event, i) => ({
        ...event,
        id: uuid(800 + i),
        n: 50 + i,
      })),
    ];
    expect(foldJob(events).people).toEqual(['Ina', 'Tam', 'Orla']);
  });
});

describe('closing up', () => {
  it('runs the covers down once nothing is left below them; pipes and wiring come last', () => {
    const covers = {
      id: 'covers',
      name: 'Covers',
      when: 'close' as const,
      torque: 12,
      fasteners: [{ x: 0, y: 0 }],
      stages: [{ percent: 100 }],
    };
    const sheet = inlineSix({ torques: [covers] });
    const whole = wholeJob();
    const closes = whole.findIndex(({ type }) => type === 'closing.done');
    const acts = whole.slice(0, closes);
    const asked: unknown[] = [];
    for (;;) {
      const at = next(acts, sheet);
      if (at?.step !== 'close') break;
      asked.push(at.do === 'close' ? at.item : at.do);
      acts.push(
        at.do === 'close'
          ? { type: 'closing.done', item: at.item }
          : { type: 'torque.done', sequence: 'covers', stage: 0, fastener: 0 },
      );
    }
    expect(asked).toEqual(['clear', 'faces', 'gasket', 'torque', 'refit']);
  });
});
