import { addDays, addMonths, daysBetween, localDay } from '../calendar';
import type { NextDue } from '..';
import {
  comparePressing,
  formatDays,
  formatHours,
  formatLength,
  formatThou,
  fromThou,
  isOverdue,
} from '..';

const today = '2026-11-23';
const due = (
  hoursLeft: number | null,
  from: string | null,
  by: NextDue['by'] = 'hours',
): NextDue => ({
  by,
  atHours: null,
  hoursLeft,
  date: from === null ? null : { from, to: from },
  why: '',
});

describe('what presses', () => {
  it('is overdue by hours used up or months past', () => {
    expect(isOverdue(due(0, '2026-12-01'), today)).toBe(true);
    expect(isOverdue(due(12, '2026-11-01'), today)).toBe(false);
    expect(isOverdue(due(100, '2026-11-22', 'months'), today)).toBe(true);
    expect(isOverdue(due(100, '2026-11-23', 'months'), today)).toBe(false);
  });

  it('comes first: overdue, then the earliest day, then the fewest hours, then no interval', () => {
    const [late, soon, later, unknownFew, unknown] = [
      due(-5, '2027-01-01'),
      due(50, '2026-12-01'),
      due(20, '2027-05-01'),
      due(30, null),
      due(90, null),
    ];
    const mixed = [null, unknown, later, late, unknownFew, soon];
    expect([...mixed].sort((a, b) => comparePressing(a, b, today))).toEqual([
      late,
      soon,
      later,
      unknownFew,
      unknown,
      null,
    ]);
  });
});

describe('days', () => {
  it('are counted without the hour', () => {
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
    expect(daysBetween('2026-05-02T23:59:00Z', '2026-05-01')).toBe(-1);
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
  });

  it('end with the month where it is shorter', () => {
    expect(addMonths('2026-08-31', 18)).toBe('2028-02-29');
    expect(addMonths('2026-05-02', 12)).toBe('2027-05-02');
    expect(localDay(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05');
  });
});

describe('figures for people', () => {
  it('are whole thou where an inch blade is near enough', () => {
    expect([330, 580, 400, 700].map(formatThou)).toEqual(['13', '23', '16', '27.6']);
    expect(fromThou(12)).toBe(305);
    expect(formatLength(580)).toBe('0.58 mm');
    expect(formatLength(584)).toBe('0.584 mm');
    expect(formatHours(6612.5)).toBe('6,612.5');
    expect(formatDays('2026-12-07', '2026-12-12').replace(/\s/g, '')).toBe('7–12Dec2026');
  });
});
