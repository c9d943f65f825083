import { inlineSix } from '../../test-support/engines';
import type { EngineSheet, HoursReading, JobLine } from '..';
import { forecastDrift, machineLineOf, pastOf } from '..';

type PastCheck = Parameters<typeof pastOf>[1][number];

const service = { everyHours: 500, everyMonths: 12 };
const document = { ...inlineSix(), service };

describe('a check at which the meter was not read', () => {
  const line = (signed: string, hours: number | null): JobLine => ({
    ...{ id: signed, at: signed, by: 'Ina', method: 'each', sheetRevision: 1 },
    summary: {
      ...{ hours: hours === null ? null : { date: signed, hours }, step: null, notes: [] },
      ...{ set: { done: 12, of: 12 }, signed: { name: 'Ina', at: signed } },
    },
  });
  const machine = {
    ...{ id: '1', name: 'Pump', sheet: { id: '2', revision: 1 }, document, meter: [] },
    ...{ baseline: { last: null, breakInDone: false }, about: {}, retired: false },
  };
  const due = (jobs: JobLine[], readings: HoursReading[], by: EngineSheet['service'] = service) => {
    const going = { ...machine, document: { ...document, service: by } };
    return machineLineOf(going, { jobs, readings, recheck: null }, '2026-09-01').due;
  };
  const before = { date: '2026-02-01', hours: 1400 };
  const since = { date: '2026-08-01', hours: 1700 };

  it('counts: months from its day, hours from what the meter showed last before', () => {
    const jobs = [line('2026-03-01', null), line('2025-03-01', 1000)];
    const first = { date: '2025-03-01', hours: 1000 };
    expect(due(jobs.slice(1), [first, before])).toMatchObject({ by: 'months', atHours: 1500 });
    expect(due(jobs, [first, before])).toMatchObject({
      ...{ by: 'months', atHours: 1900, date: { from: '2027-03-01', to: '2027-03-01' } },
      why: '12 months after the last check.',
    });
    expect(due(jobs, [first, before, since])).toMatchObject({
      ...{ by: 'hours', atHours: 1900, hoursLeft: 200 },
      why: expect.stringContaining(
        'was not read at the last check: counted from the reading before it.',
      ),
    });
  });

  it('is the first of an engine whose meter nobody ever read', () => {
    const unread = [line('2026-03-01', null)];
    expect(due(unread, [])).toMatchObject({
      ...{ by: 'months', date: { from: '2027-03-01', to: '2027-03-01' } },
      ...{ atHours: null, onMeter: null, hoursLeft: null },
    });
    expect(due(unread, [since])).toMatchObject({ atHours: null, hoursLeft: null });
    expect(due(unread, [since], { everyHours: 500 })).toEqual({
      ...{ by: 'hours', atHours: null, onMeter: null, hoursLeft: null, date: null },
      why: 'Every 500 h. The meter was read neither at the last check nor before: nobody knows when.',
    });
  });
});

describe('what drift is told from', () => {
  const reading = (gap: number) => ({ go: gap, noGo: gap + 1, how: 'go-no-go' as const });
  const check = (hours: number | null, found: number | undefined, left: number): PastCheck => ({
    hours: hours === null ? null : { date: '2026-01-01', hours },
    ...(found !== undefined && { found: { 'intake.1': reading(found) } }),
    left: { 'intake.1': reading(left) },
  });
  const told = (...newestFirst: PastCheck[]) => {
    const { histories } = pastOf(document, newestFirst, []);
    const options = { everyHours: 500, seed: 1, draws: 10 };
    const { adjusters } = forecastDrift(histories, {}, options);
    const { rate, intervals } = adjusters.find(({ id }) => id === 'intake.1')!;
    return { rate, intervals, last: histories[0]?.jobs.at(-1) };
  };
  const [first, second, third] = [check(0, 330, 330), check(1000, 320, 330), check(2000, 320, 320)];

  it('is nothing around a check at which the meter was not read', () => {
    const unread = check(null, 250, 330);
    expect(told(third, second, first)).toMatchObject({ rate: -10, intervals: 2 });
    expect(told(third, unread, second, first)).toMatchObject({ rate: -10, intervals: 1 });
    expect(told(unread, second, first)).toMatchObject({
      ...{ intervals: 1, last: { left: reading(330), hours: 1000, notRead: true } },
    });
    expect(told(unread).intervals).toBe(0);
  });

  it('is nothing across a check that changed it and did not read it after that', () => {
    const { left: _left, ...found } = check(1000, 320, 0);
    const changed = { ...found, left: {}, leftUnread: ['intake.1'] };
    expect(told(third, { ...found, left: {} }, first)).toMatchObject({ rate: -5, intervals: 1 });
    expect(told(third, changed, first)).toMatchObject({ rate: -10, intervals: 1 });
    expect(told(changed, first)).toMatchObject({
      ...{ intervals: 1, last: { hours: 1000, found: reading(320), left: { noGo: null } } },
    });
  });

  it('begins anew with a check at which it was set without being read before', () => {
    const set = check(1000, undefined, 360);
    expect(told(check(2000, 350, 350), set, first)).toMatchObject({ rate: -10, intervals: 1 });
    expect(told(set, first)).toMatchObject({ intervals: 0, last: { left: reading(360) } });
  });
});
