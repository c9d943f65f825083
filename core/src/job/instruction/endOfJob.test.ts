import { journal, setting, wholeJob } from '../../../test-support/journal';
import type { JobAct } from '../..';
import {
  deviationsOf,
  foldJob,
  jobInstruction,
  nextCheckWords,
  notToRunWith,
  recordOf,
  recordPage,
} from '../..';

const NOW = '2026-05-02T18:00:00.000Z';
const acts = wholeJob();
const atRun = acts.slice(
  0,
  acts.findIndex(({ type }) => type === 'run.noted'),
);
const next = (...more: JobAct[]) => jobInstruction(setting, journal([...atRun, ...more]), NOW);
const page = (...more: JobAct[]) => recordPage(recordOf(setting, journal([...atRun, ...more])));
const fact = (name: string, ...more: JobAct[]) =>
  page(...more).facts.find((each) => each.name === name)?.value;

const ran: JobAct = { type: 'run.noted', ran: true, leaks: false };
const leaks: JobAct = { ...ran, leaks: true, note: 'rail at No. 3' };
const left: JobAct = { type: 'gate.exempted', gate: 'leak', reason: 'Seal comes on Monday' };
const signed: JobAct = { type: 'job.signed', name: 'Ina' };

describe('the end of a job', () => {
  it('is a signature where nothing leaks', () => {
    expect(next()).toMatchObject({ do: 'run', not: [] });
    expect(next(ran)).toMatchObject({ do: 'sign', ran: true, leaks: false });
    expect(fact('Run', ran)).toBe('no leaks');
  });

  it('is another where it leaks: mended and run again, or left so with a reason', () => {
    expect(next(leaks)).toMatchObject({ do: 'answer', ask: 'leak', missing: [{ code: 'leak' }] });
    expect(next(leaks, ran)).toMatchObject({ do: 'sign', leaks: false });
    expect(fact('Run', leaks, ran)).toBe('it leaks, rail at No. 3; then no leaks');
    expect(next(leaks, left)).toMatchObject({ do: 'sign', leaks: true });
    expect(deviationsOf(foldJob(journal([leaks, left])))).toEqual([
      { what: 'It leaks, and was left so', reason: 'Seal comes on Monday', by: 'Ina' },
    ]);
    // A reason that was given for one leak says nothing of the next.
    expect(next(leaks, left, leaks)).toMatchObject({ ask: 'leak' });
  });

  it('can be signed without a run, and the record says so', () => {
    const not: JobAct = { type: 'run.noted', ran: false, leaks: false, note: 'no coolant yet' };
    expect(next(not)).toMatchObject({ do: 'sign', ran: false });
    expect(fact('Run', not)).toBe('not run: no coolant yet');
  });

  it('is not run with what somebody said it must not be run with', () => {
    const unset: JobAct = {
      type: 'adjuster.unset',
      adjuster: 'exhaust.3',
      reason: 'seized',
      mayRun: false,
    };
    const looked: JobAct = {
      type: 'question.answered',
      question: 'intake.2 100–150 far-tight',
      answer: 'Looked, it is so',
      says: 'Far tighter than its limits.',
      note: 'seat is sunk',
      mayRun: false,
    };
    const state = foldJob(journal([unset, looked]));
    expect(notToRunWith(state)).toEqual(['exhaust.3', 'intake.2']);
    expect(next(unset, looked)).toMatchObject({ do: 'run', not: ['exhaust.3', 'intake.2'] });
    const said = page(unset, looked);
    expect(said.rows.find(({ id }) => id === 'exhaust.3')?.done).toContain(
      'cannot be set: seized, must not be run so',
    );
    expect(said.sections[0]?.lines.map(({ text }) => text)).toContain(
      'No. 2 intake: Far tighter than its limits. Looked, it is so, seat is sunk, must not be run so (Ina)',
    );
    expect(notToRunWith(foldJob(journal([{ ...unset, mayRun: true }])))).toEqual([]);
    // Put right since: it is run, and the record keeps both what was said and why.
    const right: JobAct = { type: 'gate.exempted', gate: 'run', reason: 'New seat fitted' };
    expect(next(unset, looked, right)).toMatchObject({ do: 'run', not: [] });
    expect(deviationsOf(foldJob(journal([unset, looked, right])))).toEqual([
      expect.objectContaining({ reason: 'New seat fitted', by: 'Ina' }),
    ]);
    // Said before the next was known, it says nothing of that one.
    const other: JobAct = { ...unset, adjuster: 'intake.4' };
    expect(next(unset, looked, right, other)).toMatchObject({ do: 'run' });
    expect(notToRunWith(foldJob(journal([unset, right, other])))).toContain('intake.4');
    expect(notToRunWith(foldJob(journal([unset, right, looked])))).toContain('intake.2');
    // The record keeps it, for it may have been run so before.
    expect(deviationsOf(foldJob(journal([unset, right, other])))).toHaveLength(1);
    expect(notToRunWith(foldJob(journal([unset, right, { ...other, mayRun: true }])))).toEqual([]);
  });

  it('says when the next check is due, on the screen and in the record', () => {
    const service = { everyHours: 600, everyMonths: 18 };
    const counted = { service, hours: { hours: 6612 }, at: '2026-05-02T16:00:00.000Z' };
    expect(nextCheckWords(counted)).toBe(
      'at the latest when the meter shows 7,212 h, or on 2 Nov 2027, whichever comes first',
    );
    const unread = { ...counted, hours: undefined };
    expect(nextCheckWords(unread)).toBe(
      'at the latest after 600 h more, or on 2 Nov 2027, whichever comes first',
    );
    expect(nextCheckWords({ ...unread, service: { everyHours: 600 } })).toBe(
      'at the latest after 600 h more',
    );
    expect(nextCheckWords({ ...counted, service: { everyMonths: 18 } })).toBe(
      'at the latest on 2 Nov 2027',
    );
    expect(nextCheckWords({ ...counted, service: undefined })).toBe('the sheet gives no interval');
    expect(fact('Next check', ran)).toBeUndefined();
    expect(fact('Next check', ran, signed)).toBeDefined();
    expect(fact('Next check', ran, { ...signed, incomplete: true })).toBeUndefined();
  });
});
