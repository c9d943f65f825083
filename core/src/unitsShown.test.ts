import { formatInBoth, formatTemperature, formatTorque, showUnits } from '.';

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
