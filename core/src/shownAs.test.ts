import {
  formatInBoth,
  formatTemperature,
  formatTorque,
  localDay,
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
});
