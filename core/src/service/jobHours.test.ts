import { doubtJobHours, hoursAgainst, hoursSince, meterForJob, questionHours } from '..';

describe('hours read in a job', () => {
  const readings = [
    { date: '2026-03-01', hours: 400 },
    { date: '2026-04-01', hours: 440 },
    { date: '2026-05-01', hours: 480 },
  ];
  const doubt = (hours: number, known: Parameters<typeof doubtJobHours>[0]) =>
    doubtJobHours(known, { date: '2026-05-20', hours })?.doubt;

  it('are held against the last reading, though the machine was never checked', () => {
    const known = { lastLeft: null, hourMeter: meterForJob(readings, []) };
    expect(doubt(12, known)).toBe('below');
    expect(doubt(479, known)).toBe('below');
    expect(doubt(500, known)).toBeUndefined();
    expect(doubt(4800, known)).toBe('impossible');
  });

  it('are held against what was read on the same day, which may be a day apart and no more', () => {
    const today = [{ date: '2026-05-20', hours: 480 }];
    const known = { lastLeft: null, hourMeter: meterForJob(today, []) };
    expect(doubt(12, known)).toBe('below');
    expect(doubt(4800, known)).toBe('impossible');
    // Read in the morning and typed in the evening.
    expect(doubt(474, known)).toBeUndefined();
    expect(doubt(484, known)).toBeUndefined();
    const says = doubtJobHours(known, { date: '2026-05-20', hours: 4800 })?.says;
    expect(says).toContain('4,320 h in a day is more than there are');
  });

  it('are not doubted for being whole, where a service told tenths', () => {
    const told = [...readings, { date: '2026-05-19', hours: 499.7 }];
    const known = { lastLeft: null, hourMeter: meterForJob(told, []) };
    expect(doubt(499, known)).toBeUndefined();
    expect(doubt(498, known)).toBe('below');
    expect(doubt(499.5, known)).toBe('below');
    const service = { date: '2026-05-21', hours: 500.4 };
    expect(doubtJobHours(known, { date: '2026-05-20', hours: 500 })).toBeUndefined();
    expect(questionHours(service, [...told, { date: '2026-05-22', hours: 500 }], [])).toBe(
      undefined,
    );
    expect(hoursSince(known, { date: '2026-05-19', hours: 499.7 }, service)).toBeCloseTo(0.7);
    expect(hoursSince(known, service, { date: '2026-05-21', hours: 500 })).toBe(0);
  });

  it('are told where they run against those of another day', () => {
    const job = { date: '2026-05-21', hours: 470 };
    expect(hoursAgainst(readings, [])).toBeUndefined();
    expect(hoursAgainst([job, ...readings], [])).toBe(
      '470 h on 21 May 2026 is less than the 480 h on 1 May 2026: one of the two is wrong.',
    );
    // Another meter may show less.
    const fitted = [{ date: '2026-05-21', offset: 20, first: 470 }];
    expect(hoursAgainst([...readings, { ...job, replaced: true }], fitted)).toBeUndefined();
    expect(hoursAgainst([...readings, { date: '2026-05-01', hours: 478 }], [])).toBeUndefined();
  });

  it('are not doubted for being below what another meter showed at the last check', () => {
    const fitted = [...readings, { date: '2026-05-10', hours: 3, replaced: true }];
    const known = {
      lastLeft: { hours: { date: '2026-05-01', hours: 480 }, readings: {} },
      hourMeter: meterForJob(fitted, [{ date: '2026-05-10', offset: 477, first: 3 }]),
    };
    expect(doubt(20, known)).toBeUndefined();
    expect(doubt(2, known)).toBe('below');
  });

  it('are held against the last check where a job of an earlier version knows no more', () => {
    const known = { lastLeft: { hours: { date: '2026-05-01', hours: 480 }, readings: {} } };
    expect(doubt(470, known)).toBe('below');
    expect(doubt(490, known)).toBeUndefined();
    expect(doubt(1, { lastLeft: null })).toBeUndefined();
  });

  it('take so few readings along that years of them are not', () => {
    const years = Array.from({ length: 4000 }, (_, n) => ({ date: '2026-01-01', hours: n }));
    const { readings: carried } = meterForJob(years, []);
    expect(carried.length).toBeLessThan(100);
    expect(carried.at(-1)).toEqual({ date: '2026-01-01', hours: 3999 });
  });
});

describe('the hours between an earlier check and a job', () => {
  const checked = { date: '2026-02-01', hours: 6021 };
  const known = { hourMeter: meterForJob([checked, { date: '2026-05-01', hours: 6583 }], []) };
  const own = (hours: number, replaced?: true) => ({
    ...{ date: '2026-05-20T08:00:00.000Z', hours },
    ...(replaced && { replaced }),
  });

  it('are what the meter ran, or both of them where the job found another', () => {
    expect(hoursSince(known, checked, own(6601))).toBe(580);
    expect(hoursSince(known, checked, own(12, true))).toBe(562);
    // A job of an earlier version knows the last check alone.
    expect(hoursSince({ lastLeft: { hours: checked } }, checked, own(12, true))).toBe(0);
    const meter = [{ date: '2026-05-10', offset: 6580, first: 3 }];
    const since = { hourMeter: meterForJob([...known.hourMeter.readings], meter) };
    expect(hoursSince(since, checked, own(40))).toBe(599);
  });

  it('are not told where a figure cannot be of this engine', () => {
    expect(hoursSince(known, checked, own(12))).toBeUndefined();
  });
});
