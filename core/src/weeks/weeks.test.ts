import fc from 'fast-check';
import {
  costOfPlan,
  drawerWithout,
  dueSpan,
  howLong,
  mondayOf,
  partsAhead,
  PLANNED_WEEKS,
  asFoundWhenDue,
  shimsAhead,
  shimsAheadWords,
  shimsFromDrawer,
  takesWords,
  weeksFrom,
} from '..';
import type { ToPlan } from '..';
import { inlineSix } from '../../test-support/engines';

const six = inlineSix();

const today = '2026-05-06';
const due = (from: string, to = from, hoursLeft = 100) => ({
  ...{ by: 'hours' as const, atHours: 0, hoursLeft, why: '' },
  date: { from, to },
});

describe('weeks', () => {
  it('begin on Mondays, this week’s first', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('2001-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
        (date) => {
          const day = date.toISOString().slice(0, 10);
          const weeks = weeksFrom(day);
          expect(weeks).toHaveLength(PLANNED_WEEKS);
          for (const week of weeks) expect([week, mondayOf(week)]).toEqual([week, week]);
          expect(weeks[0]! <= day && day < weeks[1]!).toBe(true);
        },
      ),
    );
  });

  it('hold what falls due by its date; what is overdue falls due now', () => {
    expect(dueSpan(due('2026-05-10'), today)).toEqual({ from: 0, to: 0 });
    expect(dueSpan(due('2026-05-11', '2026-05-25'), today)).toEqual({ from: 1, to: 3 });
    expect(dueSpan(due('2026-06-11', '2026-06-25', -1), today)).toEqual({ from: 0, to: 0 });
    expect(dueSpan(due('2026-04-11', '2026-05-14'), today)).toEqual({ from: 0, to: 1 });
    expect(dueSpan({ ...due('x'), date: null }, today)).toBeNull();
    expect(dueSpan(null, today)).toBeNull();
  });
});

describe('how long a check takes', () => {
  it('is what past ones took, and what the sheet guesses before there is one', () => {
    expect(howLong([], undefined)).toBeNull();
    expect(howLong([], 120)).toEqual({ by: 'sheet', median: 120, late: 180 });
    expect(howLong([80], 120)).toEqual({ by: 'past', of: 1, median: 80, late: 80 });
    const past = [300, ...Array.from({ length: 10 }, (_, i) => 60 + i)];
    const told = howLong(past, 120);
    expect(told).toMatchObject({ by: 'past', of: 11, median: 65 });
    expect(told!.late).toBeGreaterThanOrEqual(69);
    expect(told!.late).toBeLessThan(300);
    expect(takesWords(told)).toBe('1.1 h by 11 past checks, 1.2 h if it goes badly.');
    expect(takesWords(null)).toMatch(/not known/);
  });
});

describe('what a plan costs', () => {
  const machine = (id: string, from: number, to: number, rest: Partial<ToPlan> = {}): ToPlan => ({
    ...{ id, span: { from, to }, minutes: 60 },
    ...rest,
  });

  it('weighs one way together against weeks pulled forward, three weeks and no more', () => {
    const together = (apart: number) => {
      const machines = [
        machine('a', 2, 2, { place: 'Quay' }),
        machine('b', 2 + apart, 2 + apart, { place: 'Quay' }),
      ];
      const plan = { machines, minutesAWeek: null };
      return costOfPlan(plan, [2, 2]) < costOfPlan(plan, [2, 2 + apart]);
    };
    expect([1, 2, 3, 4, 5].map(together)).toEqual([true, true, true, false, false]);
    // Machines that stand nowhere in particular share no way.
    const nowhere = { machines: [machine('a', 2, 2), machine('b', 3, 3)], minutesAWeek: null };
    expect(costOfPlan(nowhere, [2, 3])).toBeLessThan(costOfPlan(nowhere, [2, 2]));
  });

  it('puts nothing behind its due date for a way, and more work than a week takes before that', () => {
    const machines = [machine('a', 1, 1, { minutes: 600 }), machine('b', 1, 1, { minutes: 600 })];
    const plan = { machines, minutesAWeek: 600 };
    expect(costOfPlan(plan, [1, 0])).toBeLessThan(costOfPlan(plan, [1, 1]));
    expect(costOfPlan(plan, [1, 1])).toBeLessThan(costOfPlan(plan, [1, 2]) + 600);
    expect(costOfPlan(plan, [1, 2])).toBeGreaterThan(1000);
  });
});

describe('what has to be there', () => {
  it('names each part once, with its machines and the first week it is needed in', () => {
    const parts = partsAhead([
      { name: 'Barge', week: '2026-06-01', parts: ['Cover gasket', 'Washers'] },
      { name: 'Launch', week: '2026-05-11', parts: ['Cover gasket'] },
    ]);
    expect(parts).toEqual([
      { part: 'Cover gasket', machines: ['Launch', 'Barge'], by: '2026-05-11' },
      { part: 'Washers', machines: ['Barge'], by: '2026-06-01' },
    ]);
  });

  const sheet = {
    ...six,
    adjusters: six.adjusters.map((entry) => ({ ...entry, method: 'shim' as const })),
  };
  const { target, low } = sheet.adjusters[0]!.spec!;
  const bucket = (rate: number, hours = 1000) => ({
    sheet,
    left: { 'intake.1': { go: target - 5, noGo: target + 5, how: 'go-no-go' as const } },
    shims: { 'intake.1': 2800 },
    rates: { 'intake.1': { rate, low: rate, high: rate } },
    hours,
  });
  const supply = (stock: { size: number; count: number }[]) => ({
    ...{ stock, policy: 'leave-inside' as const },
    buy: { from: 2000, to: 3500, step: 25 },
  });

  it('expects no shim of what stays inside, and one of what will have closed', () => {
    const far = 2 * (target - low);
    const nothing = { fromStock: [], buy: [] };
    expect(shimsAhead([bucket(0), bucket(-far, 0)], supply([]))).toEqual([nothing, nothing]);
    const [needs] = shimsAhead([bucket(-far)], supply([]));
    expect(needs!.fromStock).toEqual([]);
    expect(needs!.buy).toHaveLength(1);
    const { size } = needs!.buy[0]!;
    // Closed by so much: a thinner one by as much brings it back to the target.
    expect(Math.abs(2800 - far - size)).toBeLessThanOrEqual(13);
    expect(shimsAheadWords(needs!)).toMatch(/^to order 1 × 2\.\d+ mm$/);
    // Of two that need the same, the first takes the one in the drawer.
    const two = shimsAhead([bucket(-far), bucket(-far)], supply([{ size, count: 1 }]));
    expect(two).toEqual([
      { fromStock: [{ size, count: 1 }], buy: [] },
      { fromStock: [], buy: [{ size, count: 1 }] },
    ]);
  });

  it('counts from the last check on, whatever meter it was read on', () => {
    const machine = (hours: number, date: string) => ({
      ...{ document: six, rates: {}, due: { ...due('2027-01-10'), atHours: 7183 } },
      ...{ interval: 600, lastLeft: { hours: { date, hours }, readings: {} } },
      meter: [{ date: '2026-05-01', offset: 6571, first: 12 }],
    });
    expect(asFoundWhenDue(machine(6021, '2026-02-01')).hours).toBe(1162);
    expect(asFoundWhenDue(machine(12, '2026-05-01')).hours).toBe(600);
    expect(asFoundWhenDue(machine(900, '2026-09-01')).hours).toBe(0);
    const unread = { ...machine(0, ''), lastLeft: { hours: null, readings: {} } };
    expect(asFoundWhenDue(unread).hours).toBe(600);
  });

  it('says nothing of what was never measured or does not drift as far as is known', () => {
    const nothing = { fromStock: [], buy: [] };
    expect(shimsAhead([{ ...bucket(-500), rates: {} }], supply([]))).toEqual([nothing]);
    expect(shimsAhead([{ ...bucket(-500), shims: {} }], supply([]))).toEqual([nothing]);
    expect(shimsAhead([{ ...bucket(-500), sheet: six }], supply([]))).toEqual([nothing]);
  });
});

describe('the drawer', () => {
  const row = (id: string, old: number, size: number, from: string) => ({
    ...{ id, old, new: size, from, lash: 300, sum: '' },
  });
  const job = (
    rows: ReturnType<typeof row>[],
    fitted: Record<string, { shim: number; fitted: number | null }>,
  ) =>
    shimsFromDrawer({
      adjusters: fitted,
      shims: { rows, buy: [{ size: 2900, count: 1 }], outside: [], put: {} },
    } as unknown as Parameters<typeof shimsFromDrawer>[0]);

  it('loses what was planned from it and fitted, not what came from buckets or the shop', () => {
    const rows = [
      row('intake.1', 2800, 2750, 'stock'),
      row('intake.2', 2750, 2800, 'intake.1'),
      row('intake.3', 2600, 2900, 'buy'),
      row('intake.4', 2700, 2700, 'intake.4'),
      row('intake.5', 2700, 2650, 'stock'),
    ];
    const taken = job(rows, {
      'intake.1': { shim: 2800, fitted: 2750 },
      'intake.2': { shim: 2750, fitted: 2800 },
      'intake.3': { shim: 2600, fitted: 2900 },
      'intake.4': { shim: 2700, fitted: 2700 },
      // Planned and not fitted: a stand-in went out again.
      'intake.5': { shim: 2700, fitted: null },
    });
    expect(taken).toEqual([{ size: 2750, count: 1 }]);
    const stock = [
      { size: 2750, count: 1 },
      { size: 2800, count: 3 },
    ];
    expect(drawerWithout(stock, taken)).toEqual([{ size: 2800, count: 3 }]);
    expect(drawerWithout(stock, [{ size: 2800, count: 9 }])).toEqual([{ size: 2750, count: 1 }]);
  });

  it('loses what was fitted otherwise than planned, where nothing else explains it', () => {
    const taken = job([row('intake.1', 2800, 2750, 'stock')], {
      'intake.1': { shim: 2800, fitted: 2725 },
      'intake.2': { shim: 2600, fitted: 2800 },
    });
    expect(taken).toEqual([{ size: 2725, count: 1 }]);
  });
});
