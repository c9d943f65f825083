import {
  aimWords,
  barSums,
  dayOf,
  daysBetween,
  describeReading,
  formatDay,
  formatGapChangeInBoth,
  formatInBoth,
  formatSpecInBoth,
  formatTemperature,
  formatTorque,
  formatTorqueAlone,
  judgeReading,
  localDay,
  metricUnitOf,
  nextCheckWords,
  questionHours,
  readingFromFigure,
  readingWithUnit,
  screwTurn,
  showBy,
  showUnits,
  slipOf,
  wallClock,
} from '.';
import { formatLimitsInBoth } from './gauging/measure';
import { formatPitch } from './rule';

afterEach(() => showUnits(undefined));

/** What is said where a shop has the usual units first, and where it has the others. */
function inEither<T>(said: () => T): { usual: T; others: T } {
  const usual = said();
  showUnits({ length: 'thou', torque: 'lb·ft', temperature: '°F' });
  return { usual, others: said() };
}

describe('figures in two units', () => {
  const shown = () => [
    formatInBoth('lash', 330),
    formatInBoth('height', 63_500),
    formatInBoth('preload', 904),
    formatGapChangeInBoth(-64),
    formatGapChangeInBoth(5),
    formatGapChangeInBoth(1),
    formatTorque(46),
    formatTorqueAlone(46),
    formatTemperature(20),
  ];

  it('come in the units of the shop first, and always in both', () => {
    expect(inEither(shown)).toEqual({
      usual: [
        '0.33 mm, 13 thou',
        '63.50 mm, 2.500 in',
        '0.90 N·m, 8.0 lb·in',
        '64 µm (2.5 thou)',
        '5 µm (0.2 thou)',
        '1 µm (0.04 thou)',
        '46 N·m (33.9 lb·ft)',
        '46 N·m',
        '20 °C (68 °F)',
      ],
      others: [
        '13 thou, 0.33 mm',
        '2.500 in, 63.50 mm',
        '8.0 lb·in, 0.90 N·m',
        '2.5 thou (64 µm)',
        '0.2 thou (5 µm)',
        '0.04 thou (1 µm)',
        '33.9 lb·ft (46 N·m)',
        '33.9 lb·ft',
        '68 °F (20 °C)',
      ],
    });
  });
});

describe('figures in one unit', () => {
  const spec = { low: 280, target: 330, high: 380 };
  const height = readingFromFigure(63_500, 'gauge');
  const said = () => ({
    aim: aimWords({ setting: 380, lasts: 1560, lastsAtTarget: 780 }, spec, -64),
    judged: judgeReading(spec, { go: 230, noGo: 254 }, 'leave-inside').why,
    slip: slipOf({ spec, reading: { go: 3300, noGo: 3300 }, typed: true })?.says,
    slipOfPreload: slipOf({
      ...{ spec: { low: 800, target: 900, high: 1000 }, measure: 'preload', typed: true },
      reading: { go: 9000, noGo: 9000 },
    })?.says,
    readings: [readingWithUnit('lash', { go: 305, noGo: 356 }), readingWithUnit('height', height)],
    height: describeReading(height),
    spec: formatSpecInBoth('lash', spec),
    limits: [
      formatLimitsInBoth('lash', spec),
      formatLimitsInBoth('height', { low: 63_400, high: 63_600 }),
    ],
    screw: screwTurn({ pitch: 1058, ratio: 1.4, side: 'pushrod' }, 127).formula,
    rim: barSums(120, { rim: 203_200 })[0]?.formula,
    pitch: formatPitch(1058),
    // What programs read is in one unit, whatever people have first.
    forPrograms: metricUnitOf('lash'),
  });
  it('are in the shop’s: a gap, a height and a preload alike', () => {
    expect(inEither(said)).toEqual({
      usual: {
        aim: 'It closes 64 µm in 1,000 h: from 0.38 mm it lasts 1,560 h, from the maker’s 0.33 mm 780 h.',
        judged: 'Tight: 0.254 mm does not enter, the limit is 0.28 mm. Bring it to 0.33 mm.',
        slip: '3.30 mm is ten times off: was 0.33 mm meant?',
        slipOfPreload: '9.00 N·m is ten times off: was 0.90 N·m meant?',
        readings: ['0.305–0.356 mm', '63.50 mm'],
        height: '63.50',
        screw: '0.127 mm / (1.058 × 1.4) mm a turn = 0.086 turn × 360° = 31°',
        rim: 'π × 203.2 mm × 120° / 360° = 212.8 mm',
        pitch: '1.058 mm',
        forPrograms: 'mm',
        spec: '0.33 mm (0.28 to 0.38), 13 thou',
        limits: ['0.28–0.38 mm, 11–15 thou', '63.40–63.60 mm, 2.4961–2.5039 in'],
      },
      others: {
        aim: 'It closes 2.5 thou in 1,000 h: from 15 thou it lasts 1,560 h, from the maker’s 13 thou 780 h.',
        judged: 'Tight: 10 thou does not enter, the limit is 11 thou. Bring it to 13 thou.',
        slip: '130 thou is ten times off: was 13 thou meant?',
        slipOfPreload: '79.7 lb·in is ten times off: was 8.0 lb·in meant?',
        readings: ['12–14 thou', '2.500 in'],
        height: '2.500',
        screw: '5 thou / (41.7 × 1.4) thou a turn = 0.086 turn × 360° = 31°',
        rim: 'π × 8 in × 120° / 360° = 8.38 in',
        pitch: '24 threads in an inch',
        forPrograms: 'mm',
        spec: '13 thou (11 to 15), 0.33 mm',
        limits: ['11–15 thou, 0.28–0.38 mm', '2.4961–2.5039 in, 63.40–63.60 mm'],
      },
    });
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
