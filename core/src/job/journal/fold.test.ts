import fc from 'fast-check';
import * as v from 'valibot';
import { EVERY_ACT, JOB, journal, uuid, wholeJob } from '../../../test-support/journal';
import type { JobAct, JobEvent, JobState } from '../..';
import { inlineSix } from '../../../test-support/engines';
import { describeEvent, foldJob, isKnown, isOver, itemNames, JobEventSchema } from '../..';
import { isOfWork } from './heard';

const reading = (go: number, noGo: number | null) => ({ go, noGo, how: 'go-no-go' as const });
const NOW = '2026-05-02T18:00:00.000Z';

/** A journal as if one event had never been: whoever knew it knew what it followed. */
function withoutOne(events: readonly JobEvent[], target: string): JobEvent[] {
  const gone = events.find(({ id }) => id === target);
  const before = gone && isKnown(gone) && isOfWork(gone) ? (gone.knew ?? []) : [];
  return events
    .filter((event) => event !== gone)
    .map((event) =>
      isKnown(event) && isOfWork(event) && event.knew?.includes(target)
        ? { ...event, knew: before }
        : event,
    );
}

/** A state without what only says how far the journal goes, its events by their ids. */
const counted = ({ lastN: _lastN, lastThere: _lastThere, standing, ...state }: JobState) => ({
  ...state,
  standing: [...standing].map(({ id }) => id),
});

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

  it('takes an undone event of any type out as if it had never been, and an undone undoing back', () => {
    // All but the signature: after it nothing is taken back.
    const acts = EVERY_ACT.slice(0, -1);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: acts.length - 1 }), (i) => {
        const target = uuid(100 + i);
        const undo: JobAct = { type: 'event.undone', target };
        const redo: JobAct = { type: 'event.undone', target: uuid(100 + acts.length) };
        const undone = foldJob(journal([...acts, undo]));
        expect(counted(undone)).toEqual(counted(foldJob(withoutOne(journal(acts), target))));
        const redone = foldJob(journal([...acts, undo, redo]));
        expect({ ...redone, lastN: 0 }).toEqual({ ...foldJob(journal(acts)), lastN: 0 });
      }),
    );
  });

  it('runs several fasteners of a stage down in one act, and takes them back in one', () => {
    const one: JobAct = { type: 'torque.done', sequence: 'head', stage: 1, fastener: 2 };
    const through = [{ ...one, through: 4 }];
    const each = [2, 3, 4].map((fastener) => ({ ...one, fastener }));
    const keys = (acts: JobAct[]) => Object.keys(foldJob(journal(acts)).torqued);
    expect(keys(through)).toEqual(keys(each));
    expect(keys([...through, { type: 'event.undone', target: uuid(100) }])).toEqual([]);
  });

  it('says like `isOver` whether the job is signed or given up, whatever is late or taken back', () => {
    const ends: JobAct[] = [
      { type: 'bar.out' },
      { type: 'job.signed', name: 'Ina' },
      { type: 'job.abandoned', reason: 'No parts' },
      { type: 'event.undone', target: uuid(100) },
      { type: 'event.undone', target: uuid(101) },
      { type: 'event.undone', target: uuid(102) },
    ];
    const told = new Set<boolean>();
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...ends), { maxLength: 6 }),
        fc.subarray([100, 101, 102, 103].map(uuid)),
        (acts, late) => {
          const { signed, abandoned } = foldJob(journal(acts), late);
          const over = signed !== undefined || abandoned !== undefined;
          told.add(over);
          expect(isOver(journal(acts), late)).toBe(over);
        },
      ),
    );
    expect(told).toEqual(new Set([true, false]));
  });

  it('goes by the last thousand things that were said of the crank', () => {
    const look = (i: number): JobAct => ({
      type: 'crank.observed',
      observation: { id: `intake.${(i % 6) + 1}`, state: 'firm' },
    });
    const acts = Array.from({ length: 1_200 }, (_, i) => look(i));
    const { history } = foldJob(journal(acts)).crank;
    expect(history).toHaveLength(1000);
    expect(history.at(-1)).toEqual({ seen: { id: 'intake.6', state: 'firm' } });
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
    const events = journal([...acts, ...later]);
    const { late, ...state } = foldJob(events);
    expect({ ...state, late: [], lastN: signed.lastN }).toEqual(signed);
    // It is kept, and told as what came too late.
    expect(late).toEqual(events.slice(-2));
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

  it('accepts and describes an act of every type', () => {
    for (const event of journal(EVERY_ACT)) {
      expect(v.is(JobEventSchema, event)).toBe(true);
    }
    const { standing } = foldJob(journal(EVERY_ACT));
    expect(standing).toHaveLength(EVERY_ACT.length);
    for (const event of standing) {
      const { what, detail } = describeEvent(event);
      expect(`${what} ${detail}`).not.toContain('undefined');
      expect(what).not.toMatch(/^(Undo)?$/);
      expect(detail).not.toBe('');
    }
  });

  it('calls what is ticked by its words, where the names of its job are known', () => {
    const sheet = inlineSix();
    const acts = [
      { type: 'isolation.done', isolation: 'battery' },
      { type: 'isolation.exempted', isolation: 'fuel', reason: 'bench engine' },
      { type: 'isolation.undone', isolation: 'battery' },
      { type: 'closing.done', item: 'gasket' },
    ] as const;
    const events = journal([...acts]);
    const names = itemNames(sheet, foldJob(events));
    const details = (known?: typeof names) =>
      events.map((event) => describeEvent(event as never, known).detail);
    expect(details(names)).toEqual([
      'Battery isolator off and locked',
      'Fuel shut: bench engine',
      'Battery isolator on',
      'Gasket new, or looked at and kept',
    ]);
    expect(details()).toEqual(['battery', 'fuel: bench engine', 'battery', 'one thing back']);
  });
});
