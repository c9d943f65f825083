import { inlineSix } from '../../../test-support/engines';
import {
  journal,
  keepAsFound,
  readAgain,
  setting,
  settingOn,
  uuid,
  wholeJob,
} from '../../../test-support/journal';
import type { JobAct, JobSetting } from '../..';
import {
  adjusterStep,
  closingItems,
  foldJob,
  hotUntil,
  describeMissing,
  instructionOf,
  isRefused,
  jobPlan,
  jobSteps,
  presentStep,
  settingOf,
} from '../..';

const reading = (go: number, noGo: number | null) => ({ go, noGo, how: 'go-no-go' as const });
const NOW = '2026-05-02T18:00:00.000Z';

describe('the steps', () => {
  const stepsAfter = (count: number, acts = wholeJob()) =>
    jobSteps(setting, foldJob(journal(acts.slice(0, count))), NOW);

  it('go through the whole job, each the present one until it misses nothing', () => {
    const acts = wholeJob();
    let present = 0;
    for (let count = 0; count <= acts.length; count++) {
      const state = foldJob(journal(acts.slice(0, count)));
      const steps = stepsAfter(count);
      const now = presentStep(setting, state, steps, instructionOf(setting, state, NOW));
      expect(now).toBeGreaterThanOrEqual(present);
      present = now;
    }
    expect(
      stepsAfter(acts.length).every(
        ({ missing, closed }) => missing.length === 0 && closed === undefined,
      ),
    ).toBe(true);
    expect(stepsAfter(0).map(({ title }) => title)).toEqual([
      'Why',
      'Ready',
      'Make unable to start',
      'Open up',
      'Find position',
      'Stop 1 of 2',
      'Stop 2 of 2',
      'Once round again',
      'Close up',
      'Make able to start',
      'Run and sign',
    ]);
  });

  it('keeps all barring closed until every isolation is done or exempted', () => {
    const closed = stepsAfter(4)
      .filter(({ closed: why }) => why !== undefined)
      .map(({ id }) => id);
    expect(closed).toEqual(['open', 'find', 'stop', 'stop', 'round', 'close', 'able', 'run']);
    const find = (count: number) => stepsAfter(count).find(({ id }) => id === 'find')?.closed;
    expect(find(5)).toBe('unable-first');
    expect(find(6)).toBe('open-first');
    expect(find(7)).toBeUndefined();
  });

  it('closes barring again when an isolation is undone by mistake', () => {
    const acts: JobAct[] = [
      ...wholeJob().slice(0, 13),
      { type: 'event.undone', target: uuid(103) },
    ];
    const stops = jobSteps(setting, foldJob(journal(acts)), NOW).filter(({ id }) => id === 'stop');
    expect(stops.map(({ closed }) => closed)).toEqual(['unable-first', 'unable-first']);
  });

  it('waits until the engine counts as cold', () => {
    const ready = (now: string) =>
      jobSteps(setting, foldJob(journal(wholeJob().slice(0, 3))), now)[1]?.missing;
    expect(ready('2026-05-01T21:59:00.000Z')).toHaveLength(1);
    expect(ready('2026-05-01T22:00:00.000Z')).toEqual([]);
  });

  it('asks for bar and pins before any isolation is undone', () => {
    const acts = wholeJob();
    const barOut = acts.findIndex(({ type }) => type === 'bar.out');
    const able = (count: number) => stepsAfter(count).find(({ id }) => id === 'able')?.missing;
    expect(able(barOut)).toEqual([{ code: 'bar-out' }]);
    expect(able(barOut + 1)?.map(describeMissing)).toEqual([
      'Ina: clear, own lock off.',
      'Tools counted back.',
      'Battery isolator on',
    ]);
  });

  it('closes barring once the first isolation comes off, until that is taken back', () => {
    const acts = wholeJob();
    const undone = acts.findIndex(({ type }) => type === 'isolation.undone');
    const closed = (more: JobAct[]) =>
      jobSteps(setting, foldJob(journal([...acts.slice(0, undone + 1), ...more])), NOW)
        .filter(({ closed: why }) => why === 'coming-off')
        .map(({ id }) => id);
    expect(closed([])).toEqual(['find', 'stop', 'stop', 'round']);
    expect(closed([{ type: 'event.undone', target: uuid(100 + undone) }])).toEqual([]);
  });

  it('asks anew for bar out and everyone clear where the crank is turned after that', () => {
    const acts = wholeJob();
    const tools = acts.findIndex(({ type }) => type === 'tools.counted');
    const able = (more: JobAct[]) =>
      jobSteps(setting, foldJob(journal([...acts.slice(0, tools + 1), ...more])), NOW).find(
        ({ id }) => id === 'able',
      )?.missing;
    expect(able([])).toEqual([{ code: 'item', text: 'Battery isolator on' }]);
    const again: JobAct = { type: 'crank.turned', degrees: 20, how: 'barred', helper: 'Orla' };
    expect(able([again])).toEqual([{ code: 'bar-out' }]);
    const clear = (person: string) => ({ code: 'clear', person });
    expect(able([again, { type: 'bar.out' }])).toEqual(
      expect.arrayContaining([clear('Ina'), clear('Orla'), { code: 'tools' }]),
    );
    expect(able([{ type: 'position.found', angle: 0 }])).toEqual([{ code: 'bar-out' }]);
  });

  it('begins the stops where the crank was found', () => {
    const plan = jobPlan(setting, foldJob(journal(wholeJob(360).slice(0, 13))));
    expect(!isRefused(plan) && plan.stops[0]).toMatchObject({ at: 360 });
  });
});

describe('the steps at one adjuster', () => {
  const spec = { low: 280, target: 330, high: 380 };
  const step = (state: Parameters<typeof adjusterStep>[0]) =>
    adjusterStep(state, { spec }, 'leave-inside').step;
  const locked = { how: 'feel' as const, by: 'Ina' };

  it('reads, adjusts, locks, reads again and paints', () => {
    expect(step(undefined)).toBe('find');
    expect(step({ found: reading(250, null) })).toBe('find');
    expect(step({ found: reading(200, 250) })).toBe('lock');
    expect(step({ found: reading(200, 250), locked })).toBe('reread');
    expect(step({ found: reading(200, 250), locked, left: reading(200, 250) })).toBe('lock');
    expect(step({ found: reading(200, 250), locked, left: reading(300, 350) })).toBe('paint');
    expect(step({ locked, left: reading(300, 350), painted: true })).toBe('done');
  });

  it('leaves what is inside, and paints it', () => {
    expect(step({ found: reading(300, 350) })).toBe('keep');
    expect(step({ found: reading(300, 350), kept: true })).toBe('paint');
  });

  it('takes what was only checked for what it is once it is set, too', () => {
    const finished = { painted: true, checked: true };
    expect(step({ found: reading(300, 350), ...finished })).toBe('done');
    expect(step({ found: reading(200, 250), ...finished })).toBe('lock');
    // It was locked before it was only checked, and what that left was taken back.
    expect(step({ found: reading(300, 350), locked, ...finished })).toBe('reread');
    const bucket = (found: ReturnType<typeof reading>, shim?: number) => {
      const state = { found, ...(shim !== undefined && { shim }), kept: true, ...finished };
      return adjusterStep(state, { spec, method: 'shim' }, 'leave-inside').step;
    };
    const [inside, tight] = [reading(300, 350), reading(200, 250)];
    expect([bucket(inside), bucket(tight), bucket(tight, 2600)]).toEqual([
      'done',
      'shim',
      'measured',
    ]);
  });

  it('waits with a shim until all are measured, fits it and reads again', () => {
    const shim = (state: Parameters<typeof adjusterStep>[0]) =>
      adjusterStep(state, { spec, method: 'shim' }, 'leave-inside').step;
    const found = reading(200, 250);
    expect(shim({ found: reading(200, null) })).toBe('find');
    // One that may be outside is settled first, or said to be left so.
    expect(shim({ found: reading(250, 300) })).toBe('find');
    expect(shim({ found: reading(250, 300), shim: 2600 })).toBe('find');
    expect(shim({ found: reading(250, 300), kept: true })).toBe('paint');
    expect(shim({ found })).toBe('shim');
    expect(shim({ found, shim: 2600 })).toBe('measured');
    expect(shim({ found, shim: 2600, fitted: null })).toBe('stand-in');
    expect(shim({ found, shim: 2600, fitted: 2500 })).toBe('reread');
    expect(shim({ found, shim: 2600, fitted: 2500, left: reading(300, 350) })).toBe('paint');
    expect(shim({ found, shim: 2600, fitted: 2500, left: found })).toBe('measured');
    expect(shim({ found, shim: 2600, kept: true })).toBe('paint');
    // It was only checked since, and by one blade alone.
    const open = { found, shim: 2600, fitted: 2500, left: reading(400, null) };
    expect(shim(open)).toBe('reread');
    expect(shim({ ...open, painted: true, checked: true })).toBe('reread');
  });

  it('says how well a gap is known that its shim is reckoned from, where that is not enough', () => {
    const stepAt = (go: number, noGo: number, shim?: number) => {
      const state = { found: reading(go, noGo), ...(shim !== undefined && { shim }) };
      return adjusterStep(state, { spec, method: 'shim' }, 'leave-inside');
    };
    const closer = expect.stringMatching(/±0\.07 mm .* a blade between/);
    expect(stepAt(140, 280)).toMatchObject({ step: 'shim', closer });
    expect(stepAt(140, 280, 2600)).toMatchObject({ step: 'measured', closer });
    expect(stepAt(180, 280)).not.toHaveProperty('closer');
  });

  it('ends honestly where it cannot be set', () => {
    expect(step({ found: reading(200, 250), unset: { reason: 'seized', by: 'Ina' } })).toBe(
      'unset',
    );
  });
});

describe('what a job asks for besides', () => {
  const stepsOf = (of: JobSetting, acts: JobAct[], now = NOW) =>
    jobSteps(of, foldJob(journal(acts)), now);
  const missing = (of: JobSetting, acts: JobAct[], id: string, now = NOW) =>
    stepsOf(of, acts, now).find((step) => step.id === id)?.missing;
  const stops = 2;

  it('of a hot engine: a run and the shutdown, and a window that counts down', () => {
    const temperature = { state: 'hot' as const, soakMinutes: 30, windowMinutes: 45 };
    const hot = settingOn(inlineSix({ temperature }));
    const hours: JobAct = { type: 'hours.read', hours: 6612 };
    const stopped = '2026-05-02T17:30:00.000Z';
    expect(missing(hot, [hours], 'ready')).toEqual([{ code: 'hot-stated' }]);
    expect(missing(hot, [hours, { type: 'hot.stated', stopped, ran: 10 }], 'ready')).toEqual([
      { code: 'hot-run', minutes: 30 },
    ]);
    const acts: JobAct[] = [hours, { type: 'hot.stated', stopped, ran: 40 }];
    expect(missing(hot, acts, 'ready')).toEqual([]);
    expect(hotUntil(hot.sheet, foldJob(journal(acts)))).toBe(Date.parse('2026-05-02T18:15:00Z'));
    expect(hotUntil(setting.sheet, foldJob(journal(acts)))).toBeUndefined();
  });

  it('of a sheet with lists and variants: each by itself, and the tag’s figures', () => {
    const spec = { low: 180, target: 230, high: 280 };
    const sheet = inlineSix({
      tools: ['Feeler blades', 'Barring tool'],
      variants: [{ tag: 'B7', adjusters: [{ kind: 'intake', spec }] }],
    });
    expect(missing(settingOn(sheet), wholeJob().slice(0, 3), 'ready')).toEqual([
      { code: 'tag' },
      { code: 'item', text: 'Tools laid out: Feeler blades, Barring tool' },
    ]);
    const figures = (tag: string) => {
      const state = foldJob(journal([{ type: 'tag.read', tag }]));
      return settingOf({ ...setting, sheet }, state).sheet.adjusters[0]?.spec;
    };
    expect(figures('B7')).toEqual(spec);
    expect(figures('')).toEqual(inlineSix().adjusters[0]?.spec);
  });

  it('runs the head down before anything is barred, fastener by fastener', () => {
    const fasteners = [
      { x: 0, y: 0 },
      { x: 1, y: 0 },
    ];
    const torques = [
      {
        id: 'head',
        name: 'Head bolts',
        when: 'first' as const,
        torque: 200,
        fasteners,
        stages: [{ percent: 50 }, { percent: 100 }],
      },
    ];
    const head = settingOn(inlineSix({ torques }));
    const before = wholeJob().slice(0, 7);
    const done = (count: number): JobAct[] =>
      [0, 1, 2, 3].slice(0, count).map((k) => ({
        type: 'torque.done',
        sequence: 'head',
        stage: Math.floor(k / 2),
        fastener: k % 2,
      }));
    expect(missing(head, before, 'torque')).toEqual([
      { code: 'torque', name: 'Head bolts', left: 4 },
    ]);
    const find = (acts: JobAct[]) => stepsOf(head, acts).find(({ id }) => id === 'find')?.closed;
    expect(find([...before, ...done(3)])).toBe('torque-first');
    expect(find([...before, ...done(4)])).toBeUndefined();
  });

  it('brings back at closing up what was noted while opening', () => {
    const state = foldJob(
      journal([{ type: 'opening.noted', what: 'Ground wire', from: 'rear bolt' }]),
    );
    expect(closingItems(setting.sheet, state).at(-1)).toEqual({
      id: `noted ${uuid(100)}`,
      text: 'Ground wire: back to rear bolt',
    });
  });

  it('asks everyone who isolated or barred for their own clear', () => {
    const acts = wholeJob();
    const events = journal(acts).map((event) =>
      event.type === 'crank.turned' ? { ...event, by: 'Orla' } : event,
    );
    const open = (more: JobAct[]) => {
      const state = foldJob([
        ...events.filter(({ type }) => type !== 'clear.said' && type !== 'job.signed'),
        ...journal(more).map((event, i) => ({ ...event, id: uuid(900 + i), n: 900 + i })),
      ]);
      return jobSteps(setting, state, NOW).find(({ id }) => id === 'able')?.missing;
    };
    expect(open([])).toEqual(['Ina', 'Orla'].map((person) => ({ code: 'clear', person })));
    expect(open([{ type: 'clear.said', person: 'Ina' }])).toHaveLength(1);
    const looked = { type: 'clear.said', person: 'Orla', looked: 'Seen at the gate' } as const;
    expect(open([{ type: 'clear.said', person: 'Ina' }, looked])).toEqual([]);
  });

  it('lets what cannot be set end the stop and the round, and doubt ask for the round', () => {
    const acts = wholeJob();
    const at = (id: string) =>
      acts.findIndex((act) => act.type === 'reading.taken' && act.adjuster === id);
    const seized = 'intake.2';
    const unset: JobAct[] = acts
      .map((act): JobAct => {
        const found = act.type === 'reading.taken' && act.adjuster === seized;
        return found ? { type: 'adjuster.unset', adjuster: seized, reason: 'seized' } : act;
      })
      .filter((act, i) => i === at(seized) || !('adjuster' in act) || act.adjuster !== seized);
    expect(missing(setting, unset, 'round')).toEqual([]);
    const doubted: JobAct = { type: 'adjuster.doubted', adjuster: 'exhaust.6' };
    const end = acts.findIndex(({ type }) => type === 'round.done');
    const withDoubt = [...acts.slice(0, end), doubted, ...acts.slice(end, -1)];
    expect(missing(setting, withDoubt, 'round')).toEqual([{ code: 'adjuster', id: 'exhaust.6' }]);
    expect(missing(setting, [...withDoubt, readAgain('exhaust.6')], 'round')).toEqual([]);
  });

  it('reads on the round what the shop’s rule asks for', () => {
    const acts = wholeJob();
    const open = (round: JobSetting['round'], more: JobAct[] = []) =>
      missing({ ...setting, round }, [...acts.slice(0, -1), ...more], 'round')?.length;
    expect(open('first')).toBe(0);
    expect(open('changed')).toBe(0);
    expect(open('all')).toBe(12 - 2 * stops);
    const lock: JobAct[] = [
      { type: 'adjuster.locked', adjuster: 'exhaust.6', how: 'torque' },
      ...keepAsFound('exhaust.6').slice(2),
    ];
    // One of each kind that was set, whatever the rule.
    expect(open('first', lock)).toBe(1);
    expect(open('changed', lock)).toBe(1);
  });
});
