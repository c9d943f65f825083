import type { JobContext, JobEvent } from '@longbar/core';
import { eventsKept, goesOn, jobKept, jobsReducer, jobsRead } from './jobs';
import { triedSince } from './openJob';

const JOB = '00000000-0000-4000-8000-000000000001';
const context = { head: { id: JOB } } as JobContext;

function event(n: number, rest: object): JobEvent {
  const id = `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`;
  return { id, job: JOB, n, at: '2026-05-02T08:00:00Z', by: 'Ina', ...rest } as JobEvent;
}
const taken = (n: number, tried: { size: number; enters: boolean }[], adjuster = 'intake.1') =>
  event(n, {
    type: 'reading.taken',
    adjuster,
    phase: 'found',
    reading: { go: 0, noGo: null, how: 'go-no-go' },
    tried,
  });
const OF = { adjuster: 'intake.1', phase: 'found' };

describe('what was tried since the job was drawn', () => {
  const enters = [{ size: 300, enters: true }];
  const stops = [{ size: 300, enters: false }];

  it('is the last reading of this adjuster, whatever the order of arrival', () => {
    expect(triedSince([taken(2, stops), taken(1, enters)], 0, OF)).toEqual(stops);
    expect(triedSince([taken(1, enters)], 0, OF)).toEqual(enters);
  });

  it('is left to the drawn job where that knows as much, or something else came', () => {
    expect(triedSince([taken(1, enters)], 1, OF)).toBeUndefined();
    expect(triedSince([], 0, OF)).toBeUndefined();
    expect(triedSince([taken(1, enters, 'intake.2')], 0, OF)).toBeUndefined();
    expect(triedSince([taken(1, enters)], 0, { ...OF, phase: 'left' })).toBeUndefined();
    const undone = event(2, { type: 'event.undone', target: taken(1, enters).id });
    expect(triedSince([taken(1, enters), undone], 0, OF)).toBeUndefined();
  });
});

describe('the jobs this phone keeps', () => {
  it('take each event once, whoever it comes from', () => {
    const [one, two] = [event(1, { type: 'bar.out' }), event(2, { type: 'round.done' })];
    let state = jobsReducer(undefined, jobsRead([{ context, events: [one] }]));
    state = jobsReducer(state, eventsKept({ job: JOB, events: [one, two] }));
    state = jobsReducer(state, eventsKept({ job: JOB, events: [two] }));
    expect(state.byId[JOB]?.events).toEqual([one, two]);
    expect(state.ready).toBe(true);
  });

  it('lose nothing when the job itself comes anew', () => {
    const [one, two] = [event(1, { type: 'bar.out' }), event(2, { type: 'round.done' })];
    let state = jobsReducer(undefined, jobKept({ context, events: [one] }));
    state = jobsReducer(state, jobKept({ context, events: [two] }));
    expect(state.byId[JOB]?.events).toEqual([one, two]);
  });

  it('go on until one is signed or given up, by what counts', () => {
    const [signed, given] = [event(3, { type: 'job.signed' }), event(4, { type: 'job.abandoned' })];
    const undone = event(5, { type: 'event.undone', target: given.id });
    const goes = (events: JobEvent[], late: string[] = []) =>
      goesOn({ context: { ...context, late }, events });
    expect(goes([event(1, { type: 'bar.out' })])).toBe(true);
    expect(goes([signed])).toBe(false);
    expect(goes([signed], [signed.id])).toBe(true);
    expect(goes([given])).toBe(false);
    expect(goes([given, undone])).toBe(true);
    expect(goes([signed, event(5, { type: 'event.undone', target: signed.id })])).toBe(false);
  });

  it('hear nothing of a job they do not keep', () => {
    const state = jobsReducer(undefined, eventsKept({ job: JOB, events: [event(1, {})] }));
    expect(state.byId).toEqual({});
  });
});
