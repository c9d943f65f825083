import type { MachineLine } from '@longbar/core';
import { inYardOrder, MOST_URGENT, orderAfter } from './yardColumns';

const TODAY = '2026-05-02';
const line = (name: string, more: Partial<MachineLine> = {}): MachineLine => ({
  id: name,
  name,
  engine: 'Ruff 1',
  sheet: { id: 's', revision: 1 },
  hours: null,
  due: null,
  interval: null,
  recheck: null,
  jobs: { open: null, signed: 0 },
  ...more,
});
const due = (hoursLeft: number) => ({
  by: 'hours' as const,
  atHours: 100,
  hoursLeft,
  date: null,
  why: '',
});
const yard = [
  line('Pump 10', { hours: { date: TODAY, hours: 5 }, due: due(40), place: 'Quay' }),
  line('Pump 2', { hours: { date: TODAY, hours: 900 }, due: due(-3) }),
  line('Barge', { place: 'Basin', engine: 'Avocet' }),
];
const names = (by: Parameters<typeof inYardOrder>[1]) =>
  inYardOrder(yard, by, TODAY).map(({ name }) => name);

describe('the columns of the yard', () => {
  it('begin with what is overdue, and end with what has no interval', () => {
    expect(names(MOST_URGENT)).toEqual(['Pump 2', 'Pump 10', 'Barge']);
  });

  it('sort names as people count, and figures as figures', () => {
    expect(names({ by: 'machine', descending: false })).toEqual(['Barge', 'Pump 2', 'Pump 10']);
    expect(names({ by: 'engine', descending: false })[0]).toBe('Barge');
    expect(names({ by: 'hours', descending: true })).toEqual(['Pump 2', 'Pump 10', 'Barge']);
  });

  it('keep last what a column says nothing of, whichever way it is sorted', () => {
    expect(names({ by: 'stands', descending: false })).toEqual(['Barge', 'Pump 10', 'Pump 2']);
    expect(names({ by: 'stands', descending: true })).toEqual(['Pump 10', 'Barge', 'Pump 2']);
    expect(names({ by: 'hours', descending: false }).at(-1)).toBe('Barge');
  });

  it('turn round when the same heading is pressed again', () => {
    const once = orderAfter(MOST_URGENT, 'hours');
    expect(once).toEqual({ by: 'hours', descending: false });
    expect(orderAfter(once, 'hours')).toEqual({ by: 'hours', descending: true });
    expect(orderAfter(once, 'machine')).toEqual({ by: 'machine', descending: false });
  });
});
