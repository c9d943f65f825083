import fc from 'fast-check';
import * as v from 'valibot';
import { JOB, journal, keepAsFound, readAgain, setting, uuid } from '../../test-support/journal';
import type { JobAct, JobEvent } from '..';
import {
  CLOSING_ITEMS,
  adjusterStep,
  describeEvent,
  foldJob,
  isRefused,
  JobEventSchema,
  jobPlan,
  jobSteps,
  presentStep,
} from '..';

const reading = (go: number, noGo: number | null) => ({ go, noGo, how: 'go-no-go' as const });
const NOW = '2026-05-02T18:00:00.000Z';

/** Every act of a whole job on the six, in the order of the work. */
function wholeJob(foundAt = 0): JobAct[] {
  const acts: JobAct[] = [
    { type: 'why.noted', reason: 'interval' },
    { type: 'cold.stated', since: '2026-05-01T18:00:00.000Z' },
    { type: 'hours.read', hours: 6612 },
    { type: 'isolation.done', isolation: 'battery' },
    { type: 'isolation.exempted', isolation: 'fuel', reason: 'Gravity tank drained' },
    { type: 'rocker.felt', adjuster: 'intake.1', state: 'loose' },
    { type: 'position.found', angle: foundAt },
  ];
  const plan = jobPlan(setting, foldJob(journal(acts)));
  if (isRefused(plan)) throw new Error(plan.refused);
  plan.stops.forEach(({ set }, stop) => {
    acts.push({ type: 'stop.reached', stop, round: false });
    acts.push(...set.flatMap(({ id }) => keepAsFound(id)));
  });
  plan.stops.forEach(({ set }, stop) => {
    acts.push({ type: 'stop.reached', stop, round: true });
    acts.push(readAgain((set[0] as { id: string }).id));
  });
  acts.push({ type: 'round.done' });
  acts.push(...CLOSING_ITEMS.map(({ id }): JobAct => ({ type: 'closing.done', item: id })));
  acts.push({ type: 'bar.out' }, { type: 'isolation.undone', isolation: 'battery' });
  acts.push({ type: 'run.noted', ran: true, leaks: false }, { type: 'job.signed', name: 'Ina' });
  return acts;
}

describe('the fold', () => {
  it('gives the same state in any order of arrival and with any repetition', () => {
    const events = journal([...wholeJob(), { type: 'event.undone', target: uuid(103) }]);
    const expected = foldJob(events);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(events, { minLength: events.length }),
        fc.subarray(events),
        (all, again) => {
          expect(foldJob([...again, ...all, ...again])).toEqual(expected);
        },
      ),
    );
  });

  it('takes an undone event out as if it had never been, and an undone undoing back', () => {
    const acts = wholeJob().slice(0, 20);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: acts.length - 1 }), (i) => {
        const target = uuid(100 + i);
        const undo: JobAct = { type: 'event.undone', target };
        const redo: JobAct = { type: 'event.undone', target: uuid(100 + acts.length) };
        const without = foldJob(journal(acts).filter(({ id }) => id !== target));
        const undone = foldJob(journal([...acts, undo]));
        expect({ ...undone, lastN: 0 }).toEqual({ ...without, lastN: 0 });
        const redone = foldJob(journal([...acts, undo, redo]));
        expect({ ...redone, lastN: 0 }).toEqual({ ...foldJob(journal(acts)), lastN: 0 });
      }),
    );
  });

  it('keeps and ignores types it does not know', () => {
    const acts = wholeJob().slice(0, 5);
    const unknown = {
      id: uuid(999),
      job: JOB,
      n: 3,
      at: NOW,
      by: 'Ina',
      type: 'from.later',
      extra: 1,
    };
    expect(v.is(JobEventSchema, unknown)).toBe(true);
    const state = foldJob([...journal(acts), unknown]);
    expect(state).toEqual(foldJob(journal(acts)));
  });

  it('counts nothing after the signature, an undoing of it included', () => {
    const acts = wholeJob();
    const signed = foldJob(journal(acts));
    const later: JobAct[] = [
      { type: 'hours.read', hours: 1 },
      { type: 'event.undone', target: uuid(100 + acts.length - 1) },
    ];
    expect({ ...foldJob(journal([...acts, ...later])), lastN: signed.lastN }).toEqual(signed);
  });

  it('forgets what was read before a new lock', () => {
    const lock: JobAct = {
      type: 'adjuster.locked',
      adjuster: 'intake.1',
      how: 'torque',
      torque: 46,
    };
    const state = foldJob(
      journal([
        { type: 'reading.taken', adjuster: 'intake.1', phase: 'left', reading: reading(300, 350) },
        { type: 'adjuster.painted', adjuster: 'intake.1' },
        lock,
      ]),
    );
    expect(state.adjusters['intake.1']).toEqual({
      locked: { how: 'torque', torque: 46, by: 'Ina' },
    });
  });

  it('takes a reading back when all its blades are taken back', () => {
    const taken: JobAct = {
      type: 'reading.taken',
      adjuster: 'intake.1',
      phase: 'found',
      reading: reading(300, null),
      tried: [{ size: 300, enters: true }],
    };
    const cleared: JobAct = { ...taken, reading: reading(0, null), tried: [] };
    expect(foldJob(journal([taken, cleared])).adjusters['intake.1']).toEqual({});
  });
});

describe('events at the edge', () => {
  const [valid] = journal([{ type: 'hours.read', hours: 5 }]) as [JobEvent];
  it.each([
    ['id', { id: 'x' }],
    ['n', { n: 0 }],
    ['at', { at: 'yesterday' }],
    ['by', { by: ' ' }],
    ['hours', { hours: -1 }],
    ['hours', { hours: '5' }],
  ])('names %s when it is wrong', (path, change) => {
    const result = v.safeParse(JobEventSchema, { ...valid, ...change });
    expect(result.success).toBe(false);
    expect(result.issues?.map((issue) => v.getDotPath(issue))).toContain(path);
  });

  it('accepts and describes every act of a whole job', () => {
    for (const event of journal(wholeJob())) {
      expect(v.is(JobEventSchema, event)).toBe(true);
    }
    for (const event of foldJob(journal(wholeJob())).standing) {
      expect(describeEvent(event).what).not.toBe('');
    }
  });
});

describe('the steps', () => {
  const stepsAfter = (count: number, acts = wholeJob()) =>
    jobSteps(setting, foldJob(journal(acts.slice(0, count))), NOW);

  it('go through the whole job, each the present one until it misses nothing', () => {
    const acts = wholeJob();
    let present = 0;
    for (let count = 0; count <= acts.length; count++) {
      const steps = stepsAfter(count);
      expect(presentStep(steps)).toBeGreaterThanOrEqual(present);
      present = presentStep(steps);
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
    expect(closed).toEqual(['find', 'stop', 'stop', 'round', 'close', 'able', 'run']);
    expect(stepsAfter(5).find(({ id }) => id === 'find')?.closed).toBeUndefined();
  });

  it('closes barring again when an isolation is undone by mistake', () => {
    const acts: JobAct[] = [...wholeJob().slice(0, 9), { type: 'event.undone', target: uuid(103) }];
    const stops = jobSteps(setting, foldJob(journal(acts)), NOW).filter(({ id }) => id === 'stop');
    expect(stops.every(({ closed }) => closed === 'Make the engine unable to start first.')).toBe(
      true,
    );
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
    expect(able(barOut)).toEqual(['Bar and pins out of the engine.']);
    expect(able(barOut + 1)).toEqual(['Battery isolator on']);
  });

  it('begins the stops with the turn found', () => {
    const plan = jobPlan(setting, foldJob(journal(wholeJob(360).slice(0, 7))));
    expect(!isRefused(plan) && plan.stops[0]).toMatchObject({ at: 360, turn: 0 });
  });
});

describe('the steps at one adjuster', () => {
  const spec = { low: 280, target: 330, high: 380 };
  const step = (state: Parameters<typeof adjusterStep>[0]) =>
    adjusterStep(state, spec, 'leave-inside').step;
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
});
