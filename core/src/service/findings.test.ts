import fc from 'fast-check';
import { inlineSix } from '../../test-support/engines';
import type { DriftHistory } from '..';
import { adjustersOf, findingsOf, questionHours, urgencyOf } from '..';

const sheet = inlineSix();
const EVERY = 600;

/** Two checks 500 h apart; every gap of a kind closes alike, but for what is given. */
function histories(found: Record<string, number>, hours = 500): DriftHistory[] {
  const left = { intake: 330, exhaust: 580 } as Record<string, number>;
  return adjustersOf(sheet).map(({ id, kind }) => ({
    id,
    jobs: [
      { hours: 1000, found: left[kind] ?? 0, left: left[kind] ?? 0 },
      { hours: 1000 + hours, found: found[id] ?? (left[kind] ?? 0) - 12, left: left[kind] ?? 0 },
    ],
  }));
}
const told = (found: Record<string, number>, hours?: number) =>
  findingsOf(sheet, histories(found, hours), EVERY).map(({ finding, ids }) => [finding, ...ids]);

describe('the findings of a check', () => {
  it('are none of ordinary wear', () => {
    expect(told({})).toEqual([]);
    expect(findingsOf(sheet, [], EVERY)).toEqual([]);
  });

  it('name the one that drifts apart from its kind, and say what to look at', () => {
    expect(told({ 'exhaust.4': 500 })).toEqual([['drift-apart', 'exhaust.4']]);
    const [finding] = findingsOf(sheet, histories({ 'exhaust.4': 500 }), EVERY);
    expect(finding?.look).toContain('seat');
  });

  it('take a loose jump within one interval for a locknut, over more for something else', () => {
    expect(told({ 'intake.2': 420 })).toEqual([['locknut', 'intake.2']]);
    expect(told({ 'intake.2': 420 }, 900)).toEqual([['drift-apart', 'intake.2']]);
  });

  it('see a swap, both of a cylinder tight, and all of a kind loose', () => {
    expect(told({ 'intake.3': 575, 'exhaust.3': 335 })).toContainEqual([
      'swap',
      'intake.3',
      'exhaust.3',
    ]);
    expect(told({ 'intake.5': 240, 'exhaust.5': 490 })).toContainEqual([
      'both-tight',
      'intake.5',
      'exhaust.5',
    ]);
    const loose = Object.fromEntries([1, 2, 3, 4, 5, 6].map((n) => [`intake.${n}`, 395]));
    expect(told(loose).map(([finding]) => finding)).toEqual(['all-loose']);
  });

  it('do not change when all hours are shifted', () => {
    const property = fc.property(fc.integer({ min: 0, max: 5000 }), (shift) => {
      const moved = histories({ 'exhaust.4': 500 }).map(({ id, jobs }) => ({
        id,
        jobs: jobs.map((job) => ({ ...job, hours: job.hours + shift })),
      }));
      expect(findingsOf(sheet, moved, EVERY)).toEqual(
        findingsOf(sheet, histories({ 'exhaust.4': 500 }), EVERY),
      );
    });
    fc.assert(property, { numRuns: 20 });
  });
});

describe('a new reading of the meter', () => {
  const known = [
    { date: '2026-01-01', hours: 1000 },
    { date: '2026-02-01', hours: 1060 },
    { date: '2026-03-01', hours: 1110 },
  ];
  const doubt = (date: string, hours: number) => questionHours({ date, hours }, known, [])?.doubt;

  it('is questioned below the last, above the next, beyond what days hold, far above use', () => {
    expect(doubt('2026-04-01', 1170)).toBeUndefined();
    expect(doubt('2026-04-01', 900)).toBe('below');
    expect(doubt('2026-02-10', 1200)).toBe('above');
    expect(doubt('2026-03-11', 1110 + 24 * 12)).toBe('impossible');
    expect(doubt('2026-03-11', 1110 + 150)).toBe('far');
  });

  it('counts a replaced meter on', () => {
    const meter = [{ date: '2026-03-15', offset: 1130 }];
    expect(questionHours({ date: '2026-04-01', hours: 30 }, known, meter)).toBeUndefined();
  });
});

describe('a check that falls due', () => {
  const due = (from: string, hoursLeft = 100) => ({
    due: { by: 'hours' as const, atHours: 0, hoursLeft, date: { from, to: from }, why: '' },
  });
  const today = '2026-05-06';

  it('says how pressing it is, by the shop’s own word for soon', () => {
    expect(urgencyOf(due('2026-04-01', -5).due, today)).toBe('overdue');
    expect(urgencyOf(due('2026-06-01').due, today)).toBe('soon');
    expect(urgencyOf(due('2026-06-01').due, today, { hours: 10, days: 7 })).toBe('later');
    expect(urgencyOf(null, today)).toBe('unknown');
  });
});
