import {
  foundAtMark,
  journal,
  keepAsFound,
  setting,
  wholeJob,
} from '../../../test-support/journal';
import type { JobAct } from '../..';
import {
  adjusterInstruction,
  foldJob,
  instructionOf,
  isFinished,
  jobPlan,
  isRefused,
  mayReturn,
  openWork,
  recordOf,
  recordPage,
} from '../..';

const ID = 'intake.1';
const kept = [...wholeJob().slice(0, 7), ...foundAtMark(), ...keepAsFound(ID)];
const loosened: JobAct = { type: 'rockers.loosened', adjusters: [ID] };
const set: JobAct[] = [
  { type: 'adjuster.locked', adjuster: ID, how: 'feel' },
  {
    type: 'reading.taken',
    adjuster: ID,
    phase: 'left',
    reading: { go: 320, noGo: 340, how: 'go-no-go' },
  },
];
const painted: JobAct = { type: 'adjuster.painted', adjuster: ID };
const after = (...acts: JobAct[]) => foldJob(journal([...kept, ...acts]));
const asked = (...acts: JobAct[]) => adjusterInstruction(setting, after(...acts), ID)?.do;

describe('a rocker that is off or backed off', () => {
  it('is set, locked and read, whatever was read or finished before', () => {
    expect([asked(), isFinished(setting.sheet, after(), ID)]).toEqual([undefined, true]);
    expect(asked(loosened)).toBe('adjust');
    expect(isFinished(setting.sheet, after(loosened), ID)).toBe(false);
    expect(asked(loosened, set[0]!)).toBe('read');
    expect(asked(loosened, ...set)).toBe('mark');
    expect(isFinished(setting.sheet, after(loosened, ...set, painted), ID)).toBe(true);
    // A dab that another phone put on it meanwhile finishes nothing.
    expect(asked(loosened, painted)).toBe('adjust');
  });

  it('is set though the job is about something else, or only checks', () => {
    for (const scope of [{ kinds: ['injector' as const] }, { checkOnly: true }]) {
      const state = after({ type: 'scope.chosen', ...scope }, loosened);
      expect(adjusterInstruction(setting, state, ID)?.do).toBe('adjust');
      const plan = jobPlan(setting, state);
      const ids = isRefused(plan) ? [] : plan.stops.flatMap((stop) => stop.set.map(({ id }) => id));
      expect(ids).toContain(ID);
      expect(instructionOf(setting, state, '2026-05-02T18:00:00Z')?.step).not.toBe('close');
    }
  });
});

describe('the record of a rocker that was backed off', () => {
  const done = (...acts: JobAct[]) =>
    recordPage(recordOf(setting, journal([...kept, ...acts]))).rows.find(({ id }) => id === ID)
      ?.done;

  it('says so, and what was left half done', () => {
    expect(done()).toBe('not touched');
    expect(done(loosened, ...set, painted)).toBe('was off or backed off; tightened by feel');
    const seized: JobAct = { type: 'adjuster.unset', adjuster: ID, reason: 'seized' };
    expect(done(loosened, seized)).toBe(
      'was off or backed off; cannot be set: seized; left half done',
    );
    expect(done(seized)).not.toContain('half done');
  });
});

describe('the engine in the middle of a job', () => {
  const clear: JobAct[] = [{ type: 'bar.out' }, { type: 'clear.said', person: 'Ina' }];

  it('does not run while a rocker is off, a nut is loose or what a lock left is not read', () => {
    expect(mayReturn(after(...clear))).toBe(true);
    for (const acts of [[loosened], [loosened, set[0]!]]) {
      expect([openWork(after(...acts)), mayReturn(after(...acts, ...clear))]).toEqual([
        'reading',
        false,
      ]);
    }
    expect(mayReturn(after(loosened, ...set, ...clear))).toBe(true);
  });

  it('does not run with what somebody said it must not be run with', () => {
    const unset = (mayRun: boolean): JobAct => ({
      type: 'adjuster.unset',
      adjuster: 'intake.2',
      reason: 'seized',
      mayRun,
    });
    expect(mayReturn(after(unset(true), ...clear))).toBe(true);
    expect(mayReturn(after(unset(false), ...clear))).toBe(false);
  });

  it('does not run with what was left half done, unless somebody says that it may', () => {
    const givenUp = (mayRun?: boolean): JobAct => ({
      ...{ type: 'adjuster.unset', adjuster: ID, reason: 'seized' },
      ...(mayRun !== undefined && { mayRun }),
    });
    expect(mayReturn(after(givenUp(), ...clear))).toBe(true);
    expect(mayReturn(after(loosened, givenUp(), ...clear))).toBe(false);
    expect(mayReturn(after(loosened, set[0]!, givenUp(), ...clear))).toBe(false);
    expect(mayReturn(after(loosened, givenUp(true), ...clear))).toBe(true);
  });
});
