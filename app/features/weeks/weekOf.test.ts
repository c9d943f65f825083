import type { PlannedMachine, Weeks } from '@longbar/core';
import { dueSpan, weeksFrom } from '@longbar/core';
import { dueInWords, sortedInto, workByPerson, workOf } from './weekOf';

const today = '2026-05-06';
const weeks = weeksFrom(today);

function machine(
  name: string,
  rest: Partial<PlannedMachine> = {},
  from = '2026-05-20',
): PlannedMachine {
  const due = {
    ...{ by: 'hours' as const, atHours: 100, hoursLeft: 20, why: '' },
    date: { from, to: from },
  };
  return {
    ...{ id: name, name, engine: 'Stint 3', due, planned: null },
    span: dueSpan(due, today),
    takes: { by: 'past', of: 3, median: 60, late: 90 },
    ...rest,
  };
}

const all = (machines: PlannedMachine[]): Weeks => ({
  ...{ weeks, hoursAWeek: 10, machines, parts: [], shims: [] },
});

describe('the machines of the weeks', () => {
  it('stand each in one place: a week, none yet, or later', () => {
    const barge = machine('Barge', { planned: { week: weeks[2]!, who: null } });
    const late = machine('Late', {}, '2027-05-20');
    const dateless = machine('Dateless', { span: null });
    const soon = machine('Soon', {}, '2026-05-08');
    const second = machine('Second');
    const { byWeek, open, later } = sortedInto(all([barge, late, second, dateless, soon]));
    expect(byWeek.get(weeks[2]!)).toEqual([barge]);
    expect([...byWeek.values()].flat()).toEqual([barge]);
    // What is due first stands first.
    expect(open).toEqual([soon, second]);
    expect(later).toEqual([late, dateless]);
  });

  it('stay in their week though they are due beyond the weeks, or nobody knows when', () => {
    const planned = { week: weeks[0]!, who: null };
    const early = machine('Early', { planned }, '2027-05-20');
    const dateless = machine('Dateless', { planned, span: null });
    const { byWeek, open, later } = sortedInto(all([early, dateless]));
    expect(byWeek.get(weeks[0]!)).toEqual([early, dateless]);
    expect([...open, ...later]).toEqual([]);
  });
});

describe('when one falls due', () => {
  const at = (week: number) => ({ planned: { week: weeks[week]!, who: null } });

  it('is said with the week it stands in: too late after its last week', () => {
    const due = 'due 20 May 2026';
    expect(dueInWords(machine('a'), weeks, today)).toEqual({ says: due, late: false });
    expect(dueInWords(machine('a', at(2)), weeks, today)).toEqual({ says: due, late: false });
    expect(dueInWords(machine('a', at(3)), weeks, today)).toEqual({
      says: `${due}: too late here`,
      late: true,
    });
  });

  it('is over where it is overdue, whatever week it stands in', () => {
    const due = { ...machine('a').due!, hoursLeft: -3 };
    expect(dueInWords(machine('a', { due, ...at(0) }), weeks, today)).toEqual({
      says: 'overdue',
      late: true,
    });
    const byMonths = {
      ...due,
      by: 'months' as const,
      date: { from: '2026-03-01', to: '2026-04-01' },
    };
    expect(dueInWords(machine('a', { due: byMonths }), weeks, today).says).toBe(
      'overdue since 1 Apr 2026',
    );
  });

  it('is not said where nobody can', () => {
    const none = { says: 'no date can be said', late: false };
    expect(dueInWords(machine('a', { due: null, span: null }), weeks, today)).toEqual(none);
    const { due } = machine('a');
    const dateless = machine('a', { due: { ...due!, date: null }, span: null, ...at(5) });
    expect(dueInWords(dateless, weeks, today)).toEqual(none);
  });
});

it('adds up the work of a week, whose it is, and how many nobody can say', () => {
  const own = [
    machine('a', { planned: { week: weeks[0]!, who: 'Tam' } }),
    machine('b', { planned: { week: weeks[0]!, who: null } }),
    machine('c', { planned: { week: weeks[0]!, who: 'Tam' }, takes: null }),
  ];
  expect(workOf(own)).toEqual({ median: 120, late: 180, unknown: 1 });
  expect(workByPerson(own)).toEqual([
    ['', 60],
    ['Tam', 60],
  ]);
  expect(workOf([])).toEqual({ median: 0, late: 0, unknown: 0 });
});
