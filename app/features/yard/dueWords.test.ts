import type { NextDue } from '@longbar/core';
import { dueWords, byDriftOf } from './dueWords';

const due = (changes: Partial<NextDue>): NextDue => ({
  by: 'hours',
  atHours: 6600,
  hoursLeft: 150,
  date: { from: '2026-12-07', to: '2026-12-12' },
  why: 'Every 600 h.',
  ...changes,
});
const today = '2026-11-23';

describe('what is due in words', () => {
  it.each([
    [due({}), '150 h left', '7 – 12 Dec 2026', false],
    [due({ hoursLeft: -38 }), 'overdue 38 h', '7 – 12 Dec 2026', true],
    [due({ date: null }), '150 h left', 'too few readings to say when', false],
    [due({ by: 'break-in' }), 'break-in: 150 h left', '7 – 12 Dec 2026', false],
    [
      due({ by: 'months', date: { from: '2027-05-04', to: '2027-05-04' } }),
      'by months: 4 May 2027',
      'Every 600 h; 150 h left',
      false,
    ],
    [
      due({ by: 'months', date: { from: '2026-11-11', to: '2026-11-11' } }),
      'overdue since 11 Nov 2026',
      'Every 600 h; 150 h left',
      true,
    ],
  ])('says %#', (next, figure, when, overdue) => {
    const words = dueWords(next, 600, today);
    expect({ ...words, when: words.when.replace(/\s/g, ' ') }).toMatchObject({
      figure,
      when: when.replace(/\s/g, ' '),
      overdue,
    });
  });

  it('fills the bar by what of the interval is used', () => {
    expect(dueWords(due({}), 600, today).share).toBe(0.75);
    expect(dueWords(null, null, today).figure).toBe('no interval');
  });
});

describe('what drift asks for', () => {
  it('say whose drift decides, where it does', () => {
    const recheck = { adjuster: 'exhaust.4', atHours: 6900, hoursLeft: 150 };
    const byDrift = due({ by: 'drift', atHours: 6900 });
    expect(byDriftOf({ due: byDrift, recheck })).toBe('By drift of No. 4 exhaust');
    expect(byDriftOf({ due: due({}), recheck })).toBeUndefined();
    expect(byDriftOf({ due: byDrift, recheck: null })).toBeUndefined();
    expect(dueWords(byDrift, 400, today)).toMatchObject({ figure: '150 h left', share: 0.625 });
  });
});
