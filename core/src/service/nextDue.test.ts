import fc from 'fast-check';
import { dueAtWords, nextDue, useOf } from '..';

const service = { breakInHours: 60, everyHours: 600, everyMonths: 18 };
const readings = [
  { date: '2026-01-01', hours: 6000 },
  { date: '2026-04-11', hours: 6200 },
  { date: '2026-07-20', hours: 6400 },
];
const today = '2026-08-01';

describe('when the next check is due', () => {
  it('comes by hours, dated from the use', () => {
    const last = { date: '2026-01-01', hours: 6000 };
    const due = nextDue({ service, meter: [], last, breakInDone: true }, readings, today);
    expect(due).toMatchObject({ by: 'hours', atHours: 6600, hoursLeft: 200 });
    expect(due?.date).toEqual({ from: '2026-10-28', to: '2026-10-28' });
  });

  it('comes by months where those are first', () => {
    const last = { date: '2025-03-31', hours: 5900 };
    const due = nextDue(
      { service, meter: [], last, breakInDone: true },
      [
        { date: '2026-07-20', hours: 5950 },
        { date: '2026-05-20', hours: 5940 },
        { date: '2026-03-20', hours: 5930 },
      ],
      today,
    );
    expect(due).toMatchObject({
      by: 'months',
      date: { from: '2026-09-30', to: '2026-09-30' },
      hoursLeft: 550,
    });
  });

  it('puts the break-in before everything else', () => {
    const due = nextDue(
      { service, meter: [], last: null, breakInDone: false },
      [{ date: '2026-07-20', hours: 18 }],
      today,
    );
    expect(due).toMatchObject({ by: 'break-in', atHours: 60, hoursLeft: 42, date: null });
    expect(due?.why).toContain('Too few readings');
  });

  it('counts months from the day in service where there was no check yet', () => {
    const history = { service, meter: [], last: null, breakInDone: true };
    const since = (inServiceSince: string) => nextDue({ ...history, inServiceSince }, [], today);
    expect(since('2026-01-31')).toMatchObject({
      by: 'months',
      date: { from: '2027-07-31', to: '2027-07-31' },
      why: '18 months after it went into service.',
    });
    expect(since('2025-01-15')).toMatchObject({ date: { from: '2026-07-15', to: '2026-07-15' } });
    // The break-in is due by months, too, where nobody knows how many hours it ran.
    const unbroken = { ...history, breakInDone: false, inServiceSince: '2025-01-15' };
    expect(nextDue(unbroken, [], today)).toMatchObject({ by: 'months', atHours: 60 });
    const young = { ...unbroken, inServiceSince: '2026-05-01' };
    expect(nextDue(young, [], today)).toMatchObject({ by: 'break-in', date: null });
    const over = nextDue(unbroken, [{ date: '2026-07-20', hours: 61 }], today);
    expect(over).toMatchObject({ by: 'break-in', hoursLeft: -1 });
  });

  it('counts hours from what the meter showed when it went into service', () => {
    const history = { service, meter: [], last: null, inServiceSince: '2026-05-01' };
    const then = { ...history, hoursThen: 4000 };
    const readings = [{ date: '2026-05-20', hours: 4010 }];
    const breakIn = nextDue({ ...then, breakInDone: false }, readings, today);
    expect(breakIn).toMatchObject({ by: 'break-in', atHours: 4060, hoursLeft: 50 });
    const usual = nextDue({ ...then, breakInDone: true }, readings, today);
    expect(usual).toMatchObject({ atHours: 4600 });
  });

  it('dates by months where too few hours are known, and keeps the hours beside', () => {
    const last = { date: '2026-01-01', hours: 6000 };
    const due = nextDue({ service, meter: [], last, breakInDone: true }, [], today);
    expect(due).toMatchObject({
      by: 'months',
      atHours: 6600,
      date: { from: '2027-07-01', to: '2027-07-01' },
    });
  });

  it('takes an estimate of hours a year until readings tell better, and names it so', () => {
    const last = { date: '2026-01-01', hours: 6000 };
    const history = { service, meter: [], last, breakInDone: true, hoursAYear: 1200 };
    const guessed = nextDue(history, [], today);
    expect(guessed).toMatchObject({ by: 'hours', atHours: 6600 });
    expect(guessed?.why).toContain('Estimated at about 1,200 h a year');
    expect(guessed?.date).toEqual({ from: '2026-07-03', to: '2026-07-03' });
    expect(nextDue(history, readings, today)?.why).toContain('Used about 730 h a year');
  });

  it('lets whichever comes first in time stand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2000 }),
        fc.integer({ min: 1, max: 48 }),
        fc.integer({ min: 50, max: 4000 }),
        (everyHours, everyMonths, hoursAYear) => {
          const last = { date: '2026-07-01', hours: 0 };
          const history = { meter: [], last, breakInDone: true, hoursAYear };
          const both = nextDue({ ...history, service: { everyHours, everyMonths } }, [], today);
          const [hours = '', months = ''] = [{ everyHours }, { everyMonths }].map(
            (service) => nextDue({ ...history, service }, [], today)?.date?.to,
          );
          // A month that has come is certain; hours that are only reckoned are not.
          const first = months <= today || months < hours ? months : hours;
          expect(both?.date?.to).toBe(first);
        },
      ),
    );
  });

  it('says overdue by hours below zero', () => {
    const last = { date: '2026-01-01', hours: 5700 };
    const due = nextDue({ service, meter: [], last, breakInDone: true }, readings, today);
    expect(due).toMatchObject({ by: 'hours', hoursLeft: -100 });
  });

  it('reckons on through a replaced meter', () => {
    const meter = [{ date: '2026-05-01', offset: 6240 }];
    const last = { date: '2026-01-01', hours: 6000 };
    const due = nextDue(
      { service, meter, last, breakInDone: true },
      [...readings.slice(0, 2), { date: '2026-07-20', hours: 160 }],
      today,
    );
    expect(due).toMatchObject({ atHours: 6600, onMeter: 360, hoursLeft: 200 });
    // As the record says it of a check on the new meter.
    const since = { date: '2026-07-20', hours: 160 };
    const next = nextDue({ service, meter, last: since, breakInDone: true }, [since], today);
    expect(next && dueAtWords(next)).toBe(`Due at ${160 + service.everyHours} h on the meter.`);
  });

  it('has nothing to say without an interval', () => {
    expect(
      nextDue({ service: {}, meter: [], last: null, breakInDone: true }, readings, today),
    ).toBeUndefined();
  });

  it('takes no use from two readings or from a standing engine', () => {
    expect(useOf(readings.slice(1), today)).toBeUndefined();
    expect(
      useOf(
        readings.map(({ date }) => ({ date, hours: 100 })),
        today,
      ),
    ).toBeUndefined();
    expect(useOf(readings, today)?.perDay).toBeCloseTo(2);
  });

  it('is due by drift where that comes before the interval, and never before the break-in is done', () => {
    const service = { everyHours: 600, breakInHours: 50 };
    const last = { date: '2026-01-01', hours: 1000 };
    const drift = { adjuster: 'exhaust.4', atHours: 1400, checks: 4 };
    const dueBy = (changes: object) =>
      nextDue(
        { service, meter: [], last, breakInDone: true, drift, ...changes },
        [last, { date: '2026-03-01', hours: 1100 }],
        '2026-03-02',
      );
    expect(dueBy({})).toMatchObject({ by: 'drift', atHours: 1400, hoursLeft: 300 });
    expect(dueBy({})?.why).toContain('By its drift over 4 checks: No. 4 exhaust may have left');
    expect(dueBy({ drift: { ...drift, atHours: 1700 } })).toMatchObject({
      by: 'hours',
      atHours: 1600,
    });
    expect(dueBy({ service: {} })).toMatchObject({ by: 'drift', atHours: 1400 });
    expect(dueBy({ service: { ...service, everyMonths: 2 } })).toMatchObject({ by: 'months' });
    expect(dueBy({ last: null, breakInDone: false })).toMatchObject({
      by: 'break-in',
      atHours: 50,
    });
  });
});
