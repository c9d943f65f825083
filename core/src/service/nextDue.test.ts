import { nextDue, useOf } from '..';

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
    expect(due).toMatchObject({ atHours: 6600, hoursLeft: 200 });
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
});
