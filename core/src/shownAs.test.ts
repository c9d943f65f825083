import {
  dayOf,
  daysBetween,
  formatDay,
  formatInBoth,
  formatTemperature,
  formatTorque,
  localDay,
  nextCheckWords,
  questionHours,
  showBy,
  showUnits,
  wallClock,
} from '.';

afterEach(() => showUnits(undefined));

describe('figures in two units', () => {
  const shown = () => [
    formatInBoth('lash', 330),
    formatInBoth('height', 63_500),
    formatInBoth('preload', 904),
    formatTorque(46),
    formatTemperature(20),
  ];

  it('come in the units of the shop first, and always in both', () => {
    expect(shown()).toEqual([
      '0.33 mm, 13 thou',
      '63.50 mm, 2.500 in',
      '0.90 N·m',
      '46 N·m (33.9 lb·ft)',
      '20 °C (68 °F)',
    ]);
    showUnits({ length: 'thou', torque: 'lb·ft', temperature: '°F' });
    expect(shown()).toEqual([
      '13 thou, 0.33 mm',
      '2.500 in, 63.50 mm',
      '0.90 N·m',
      '33.9 lb·ft (46 N·m)',
      '68 °F (20 °C)',
    ]);
  });
});

describe('the clock on the wall', () => {
  it('shows the day and hour of the time zone in force, midnight as 0', () => {
    const at = new Date('2026-03-01T00:30:00Z');
    showBy(() => ({ timeZone: 'Etc/GMT' }));
    expect(wallClock(at)).toEqual({ year: 2026, month: 3, day: 1, hour: 0, minute: 30 });
    showBy(() => ({ timeZone: 'Etc/GMT+1' }));
    expect([wallClock(at), localDay(at)]).toEqual([
      { year: 2026, month: 2, day: 28, hour: 23, minute: 30 },
      '2026-02-28',
    ]);
  });

  it('says on which day an instant fell; a day is the same by every clock', () => {
    const at = '2026-03-01T19:30:00.000Z';
    const told = () => [dayOf(at), formatDay(at), formatDay('2026-03-01')];
    const ahead = () => [daysBetween(at, '2026-03-05'), nextCheckWords(counted)];
    const counted = { service: { everyMonths: 12 }, hours: undefined, at };
    showBy(() => ({ timeZone: 'Etc/GMT+11' }));
    expect(told()).toEqual(['2026-03-01', '1 Mar 2026', '1 Mar 2026']);
    expect(ahead()).toEqual([4, 'at the latest on 1 Mar 2027']);
    showBy(() => ({ timeZone: 'Etc/GMT-11' }));
    expect(told()).toEqual(['2026-03-02', '2 Mar 2026', '1 Mar 2026']);
    expect(ahead()).toEqual([3, 'at the latest on 2 Mar 2027']);
  });

  it('puts what was read in a job and what was typed for a day into the order they were read in', () => {
    // Five in the afternoon far to the west, where the day is over in Greenwich.
    const inJob = { date: '2026-05-03T01:00:00.000Z', hours: 6010 };
    const typed = { date: '2026-05-02', hours: 6011 };
    showBy(() => ({ timeZone: 'Etc/GMT+8' }));
    expect(questionHours(typed, [inJob], [])).toBeUndefined();
    showBy(() => ({ timeZone: 'Etc/GMT' }));
    expect(questionHours(typed, [inJob], [])?.says).toContain('only 6,010 h on 3 May 2026');
  });
});
