import * as v from 'valibot';
import { inlineSix } from '../../../test-support/engines';
import { head, journal, settingOn } from '../../../test-support/journal';
import type { JobAct, JobLine, JobScope, JobState } from '../..';
import {
  engineLabelWords,
  foldJob,
  instructionOf,
  isAskedOf,
  isRefused,
  jobPlan,
  JobEventSchema,
  jobSteps,
  leftOutKinds,
  machineLineOf,
  mayChooseScope,
  notSetSinceHeadWork,
  openWork,
  recordOf,
  recordPage,
  simulateJob,
} from '../..';

const lobes = {
  lobes: { exhaust: { opens: 130, closes: 375 }, intake: { opens: 345, closes: 575 } },
};
const spec = { low: 280, target: 330, high: 380 };
const six = inlineSix({
  ...lobes,
  adjusters: [
    { kind: 'intake', spec },
    { kind: 'exhaust', spec },
    {
      kind: 'injector',
      measure: 'height',
      method: 'screw',
      setAt: 'base',
      spec: { low: 70900, target: 71000, high: 71100 },
    },
  ],
});
const usual = {
  method: 'two-position',
  policy: 'leave-inside',
  start: 137,
  seed: 3,
  faults: {},
} as const;

function jobOf(scope: JobScope | undefined) {
  const outcome = simulateJob(six, { ...usual, scope });
  if (isRefused(outcome)) throw new Error(outcome.says);
  const begun = { head, sheet: six, policy: 'leave-inside' as const };
  return { ...outcome, record: recordOf(begun, outcome.events) };
}

describe('a job about some of the engine', () => {
  it('plans, asks for and counts only what it is about', () => {
    const chosen: JobAct = { type: 'scope.chosen', kinds: ['injector'] };
    const state = foldJob(journal([chosen]));
    const plan = jobPlan(settingOn(six), state);
    const set = isRefused(plan) ? [] : plan.stops.flatMap((stop) => stop.set.map(({ id }) => id));
    expect([...set].sort()).toEqual([1, 2, 3, 4, 5, 6].map((n) => `injector.${n}`));
    const { log, outcome, record, events } = jobOf({ kinds: ['injector'] });
    const read = log.flatMap((entry) => ('read' in entry ? [entry.read] : []));
    expect(new Set(read.map((id) => id.split('.')[0]))).toEqual(new Set(['injector']));
    expect(outcome).toBe('signed');
    const page = recordPage(record);
    expect(page.facts.find(({ name }) => name === 'About')?.value).toBe(
      'Only the injectors. Still due: intake valves and exhaust valves',
    );
    expect(page.rows.find(({ id }) => id === 'intake.1')?.done).toBe('not part of this job');
    const next = page.facts.find(({ name }) => name === 'Next check')?.value;
    expect(next).toMatch(/; the intake valves and exhaust valves stay due$/);
    expect(engineLabelWords(settingOn(six), foldJob(events))?.lines).toContain(
      `Next check: ${next}`,
    );
  });

  it('says after head work what it leaves off, for the engine is not run before it is set', () => {
    const head: JobAct = { type: 'why.noted', reason: 'head-work' };
    const only: JobAct = { type: 'scope.chosen', kinds: ['injector'] };
    const off = (...acts: JobAct[]) => notSetSinceHeadWork(six, foldJob(journal(acts)));
    expect(off(head, only)).toBe('intake valves and exhaust valves');
    expect([off(head), off(only)]).toEqual([undefined, undefined]);
  });

  it('still tells the crank by valves that it is not about', () => {
    const { log } = jobOf({ kinds: ['injector'] });
    const felt = log.flatMap((entry) => ('feel' in entry ? [entry.feel] : []));
    expect(felt.length).toBeGreaterThan(0);
    expect(felt.every((id) => !id.startsWith('injector'))).toBe(true);
  });

  it('may become about more, and what was set stays set', () => {
    const { events } = jobOf({ kinds: ['injector'] });
    const until = events.findIndex(({ type }) => type === 'round.done');
    const before = events.slice(0, until);
    const wider = { ...events[until], type: 'scope.chosen' } as (typeof events)[number];
    const state = foldJob([...before, wider]);
    const missing = jobSteps(settingOn(six), state, events[until]!.at)
      .flatMap((step) => step.missing)
      .flatMap((each) => (each.code === 'adjuster' ? [each.id] : []));
    expect(missing).toHaveLength(12);
    expect(missing.some((id) => id.startsWith('injector'))).toBe(false);
  });

  it('is chosen until closing up begins', () => {
    const after = (...acts: JobAct[]) => mayChooseScope(foldJob(journal(acts)));
    expect(after({ type: 'round.done' })).toBe(true);
    expect(after({ type: 'closing.done', item: 'faces' })).toBe(false);
    expect(after({ type: 'bar.out' })).toBe(false);
    expect(after({ type: 'isolation.undone', isolation: 'fuel' })).toBe(false);
  });

  it('is not chosen over what was set and not read again', () => {
    const locked: JobAct = { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' };
    const reading = { go: 300, noGo: 330, how: 'go-no-go' } as const;
    const left: JobAct = { type: 'reading.taken', adjuster: 'intake.1', phase: 'left', reading };
    const waits = (...acts: JobAct[]) => openWork(foldJob(journal(acts)));
    expect(waits(locked)).toBe('reading');
    expect(waits(locked, left)).toBeUndefined();
    expect(waits(locked, left, locked)).toBe('reading');
    expect(mayChooseScope(foldJob(journal([locked])))).toBe(false);
    // Set by its blade, and its nut still loose.
    expect(waits({ ...left, phase: 'set' })).toBe('reading');
    expect(waits({ ...left, phase: 'set' }, locked, left)).toBeUndefined();
  });

  it('finishes what was begun, though another phone says that the job is about something else', () => {
    const only: JobAct = { type: 'scope.chosen', kinds: ['injector'] };
    const locked: JobAct = { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' };
    const reading = { go: 300, noGo: 330, how: 'go-no-go' } as const;
    const left: JobAct = { type: 'reading.taken', adjuster: 'intake.1', phase: 'left', reading };
    const injectors = [1, 2, 3, 4, 5, 6].map((n) => `injector.${n}`);
    const stops = [{ at: 0, set: injectors }];
    const made: JobAct = { type: 'plan.made', method: 'two-position', stops, unserved: [] };
    const after = (...acts: JobAct[]) => foldJob(journal(acts));
    const planned = (state: JobState) => {
      const plan = jobPlan(settingOn(six), state);
      return isRefused(plan) ? [] : plan.stops.flatMap(({ set }) => set.map(({ id }) => id));
    };
    const both = [...injectors, 'intake.1'].sort();
    expect(planned(after(locked, only)).sort()).toEqual(both);
    // Whoever planned the injectors had not heard of the valve, or heard of it too late.
    expect(planned(after(locked, only, made)).sort()).toEqual(both);
    expect(planned(after(only, made, locked)).sort()).toEqual(both);
    expect(planned(after(only, made))).toEqual(injectors);
    const asked = (state: JobState) => isAskedOf(six.adjusters[0], state, 'intake.1');
    expect(asked(after(locked, only))).toBe(true);
    // Told of it while it is closed up, it is opened again.
    const closed: JobAct[] = [
      ...injectors.map((adjuster): JobAct => ({
        type: 'adjuster.unset',
        adjuster,
        reason: 'seized',
      })),
      { type: 'round.done' },
      { type: 'closing.done', item: 'faces' },
    ];
    const missing = (state: JobState) =>
      jobSteps(settingOn(six), state, '2026-05-02T12:00:00Z').find(({ id }) => id === 'open')
        ?.missing;
    const opened: JobAct = { type: 'opening.done' };
    expect(missing(after(opened, only, made, ...closed))).toEqual([]);
    expect(missing(after(opened, only, made, ...closed, locked))).toEqual([{ code: 'open' }]);
    const told = journal([locked, only, left, { type: 'adjuster.painted', adjuster: 'intake.1' }]);
    expect(asked(foldJob(told))).toBe(false);
    const row = recordPage(recordOf(settingOn(six), told)).rows.find(({ id }) => id === 'intake.1');
    expect(row?.done).toContain('no part of this job any more');
  });

  it('names no kind that there is not, and at least one', () => {
    const [event] = journal([{ type: 'scope.chosen', kinds: ['injector'] }]);
    const isTaken = (kinds: unknown) => v.safeParse(JobEventSchema, { ...event, kinds }).success;
    expect([['injector'], undefined, [], ['piston']].map(isTaken)).toEqual([
      true,
      true,
      false,
      false,
    ]);
    expect(leftOutKinds(six, undefined)).toEqual([]);
  });
});

describe('a check without setting', () => {
  it('loosens nothing, and stays due with anything outside its limits', () => {
    let outside = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const outcome = simulateJob(six, { ...usual, seed, scope: { checkOnly: true } });
      if (isRefused(outcome)) throw new Error(outcome.says);
      expect(outcome.log.some((entry) => 'set' in entry)).toBe(false);
      const record = recordOf({ head, sheet: six, policy: 'leave-inside' }, outcome.events);
      const wrong = record.banks
        .flatMap(({ cylinders }) => cylinders.flatMap(({ adjusters }) => adjusters))
        .map(({ left, again }) => (again ?? left)?.verdict)
        .filter((verdict) => verdict === 'tight' || verdict === 'loose');
      expect(outcome.outcome).toBe(wrong.length > 0 ? 'incomplete' : 'signed');
      if (wrong.length > 0) outside++;
    }
    expect(outside).toBeGreaterThan(0);
  });

  it('offers to leave what is outside as it is, and says that it is only checked', () => {
    const { events } = jobOf({ checkOnly: true });
    const state = foldJob(events.slice(0, -1));
    const next = instructionOf(settingOn(six), state, events.at(-1)!.at);
    expect(next).toMatchObject({ do: 'sign' });
    expect(recordPage(recordOf(settingOn(six), events)).facts).toContainEqual({
      name: 'About',
      value: 'Everything, read and not set',
    });
  });
});

describe('what a job left out', () => {
  const line = (date: string, hours: number, scope?: JobScope): JobLine => ({
    id: date,
    at: date,
    by: 'Ina',
    method: 'each',
    sheetRevision: 1,
    summary: {
      hours: { date, hours },
      step: null,
      set: { done: 6, of: 6 },
      signed: { name: 'Ina', at: date },
      ...(scope && { scope }),
      notes: [],
    },
  });
  const machine = {
    id: '1',
    name: 'Pump',
    sheet: { id: '2', revision: 1 },
    document: { ...six, service: { everyHours: 500, breakInHours: 50 } },
    meter: [],
    baseline: { last: null, breakInDone: false },
    about: {},
    retired: false,
  };
  const due = (...jobs: JobLine[]) =>
    machineLineOf(machine, { jobs, readings: [], recheck: null }, '2026-05-02').due;

  it('stays due from the last job that was about it', () => {
    const whole = line('2026-01-01', 1000);
    const valves = line('2026-03-01', 1300, { kinds: ['intake', 'exhaust'] });
    const injectors = line('2026-04-01', 1400, { kinds: ['injector'] });
    expect(due(whole)).toMatchObject({ atHours: 1500 });
    expect(due(whole)).not.toHaveProperty('kinds');
    expect(due(valves, whole)).toMatchObject({ atHours: 1500, kinds: ['injector'] });
    expect(due(valves, whole)?.why).toMatch(/Only the injectors: the rest was checked since\.$/);
    expect(due(injectors, valves, whole)).toMatchObject({
      atHours: 1800,
      kinds: ['intake', 'exhaust'],
    });
  });

  it('says nothing of the rest where the drift of one that was checked since comes first', () => {
    const whole = line('2026-01-01', 1000);
    const valves = line('2026-03-01', 1300, { kinds: ['intake', 'exhaust'] });
    const recheck = { adjuster: 'exhaust.2', atHours: 1450, hoursLeft: 150 };
    const injectors = line('2026-04-01', 1400, { kinds: ['injector'] });
    const past = { jobs: [injectors, valves, whole], readings: [], recheck };
    const { due: asked, interval } = machineLineOf(machine, past, '2026-05-02');
    expect(asked).toMatchObject({ by: 'drift', atHours: 1450 });
    expect(asked).not.toHaveProperty('kinds');
    // It rests on the checks that were about it, and is counted from the last of them.
    expect(asked?.why).toMatch(/^By its drift over 2 checks: No. 2 exhaust /);
    expect(asked?.why).not.toMatch(/Only the|checked since/);
    expect(interval).toBe(150);
  });

  it('keeps the break-in check open until everything was checked once', () => {
    const valves = line('2026-03-01', 40, { kinds: ['intake', 'exhaust'] });
    const injectors = line('2026-03-02', 42, { kinds: ['injector'] });
    expect(due(valves)).toMatchObject({ by: 'break-in', kinds: ['injector'] });
    expect(due(injectors, valves)).toMatchObject({ by: 'hours', atHours: 540 });
  });

  it('is not counted by a check that was closed as incomplete', () => {
    const whole = line('2026-01-01', 1000);
    const checked = line('2026-03-01', 1300, { checkOnly: true });
    expect(due(checked, whole)).toMatchObject({ atHours: 1800 });
    const { summary } = checked;
    const open = {
      ...checked,
      summary: { ...summary, signed: { ...summary.signed!, incomplete: true } },
    };
    expect(due(open, whole)).toMatchObject({ atHours: 1500 });
  });
});
