import type { CompanyMachine } from '@longbar/core';
import { byDrift, countWords, plannedWeeks, pressingOf } from './companyWords';
import { named } from './named';

const due = (hoursLeft: number, by: 'hours' | 'drift' = 'hours') => ({
  ...{ by, atHours: 1000, hoursLeft, date: null, why: '' },
});
const machine = (name: string, more: Partial<CompanyMachine>): CompanyMachine => ({
  ...{ id: name, name, engine: 'Plover 6', urgency: 'later', isOpen: false },
  ...{ due: null, interval: 500, recheck: null },
  ...more,
});

describe('a shop beside others', () => {
  it('tells what presses, the most pressing first, and what drift asks for', () => {
    const recheck = { adjuster: 'exhaust.4', atHours: 900, hoursLeft: -9 };
    const machines = [
      machine('Later', { due: due(400) }),
      machine('Soon', { urgency: 'soon', due: due(20) }),
      machine('Worst', { urgency: 'overdue', due: due(-90, 'drift'), recheck }),
      machine('Over', { urgency: 'overdue', due: due(-9) }),
    ];
    const names = (told: CompanyMachine[]) => told.map(({ name }) => name);
    expect(names(pressingOf({ machines }, '2026-11-23'))).toEqual(['Worst', 'Over', 'Soon']);
    expect(names(byDrift({ machines }))).toEqual(['Worst']);
  });

  it('tells the weeks in which something is planned, and where that is too much', () => {
    const weeks = ['2026-11-23', '2026-11-30', '2026-12-07'];
    expect(plannedWeeks({ planned: [0, 90, 600], hoursAWeek: 8 }, weeks)).toEqual([
      { week: 'Week of 30 Nov 2026', says: '1.5 h of 8 h', isOver: false },
      { week: 'Week of 7 Dec 2026', says: '10 h of 8 h', isOver: true },
    ]);
    expect(plannedWeeks({ planned: [60], hoursAWeek: null }, weeks)).toEqual([
      { week: 'Week of 23 Nov 2026', says: '1 h', isOver: false },
    ]);
  });

  it('is counted in words, and told from another of the same name', () => {
    expect([countWords(1, 'shop'), countWords(1200, 'machine')]).toEqual([
      '1 shop',
      '1,200 machines',
    ]);
    const yards = [{ name: 'Yard' }, { name: 'Yard' }, { name: 'Pier' }];
    expect([...named(yards).keys()]).toEqual(['Yard', 'Yard (2)', 'Pier']);
  });
});
