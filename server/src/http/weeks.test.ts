import { randomUUID } from 'node:crypto';
import type { Offer, ToPlan, Weeks } from '@longbar/core';
import {
  costOfPlan,
  localDay,
  PLANNED_WEEKS,
  SeededRandom,
  ShopSchema,
  weeksFrom,
} from '@longbar/core';
import * as v from 'valibot';
import { spoil } from '../../test-support/spoil';
import { signedAnew } from '../../test-support/signedAnew';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { times } from '../../test-support/times';
import { findWeeks } from '../weeks/findWeeks';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

const read = async (): Promise<Weeks> => (await server.get('/weeks')).body;
const named = ({ machines }: Weeks, name: string) => machines.find((each) => each.name === name)!;
const MONDAYS = weeksFrom(localDay(new Date()));
const daysOn = (days: number) =>
  new Date(Date.parse(MONDAYS[0]!) + days * 86_400_000).toISOString().slice(0, 10);

describe('the coming weeks', () => {
  it('tell what is due between which weeks and how long it takes, by past checks', async () => {
    const weeks = await read();
    expect(weeks.weeks).toEqual(MONDAYS);
    expect(weeks.machines.length).toBe(8);
    expect(weeks.machines.every(({ planned }) => planned === null)).toBe(true);
    const truck = named(weeks, 'Salt truck 3');
    expect(truck.takes).toMatchObject({ by: 'past' });
    expect(truck.takes!.median).toBeGreaterThan(10);
    expect(truck.takes!.late).toBeGreaterThanOrEqual(truck.takes!.median);
    expect(named(weeks, 'Launch').span).toEqual({ from: 0, to: 0 });
    expect([weeks.parts, weeks.shims]).toEqual([[], []]);
  });

  it('keep where somebody put a machine and who does it, until its check is signed', async () => {
    const barge = named(await read(), 'Barge');
    const put = (body: object) => server.put(`/weeks/${barge.id}`, body);
    const planned = async () => named(await read(), 'Barge').planned;
    await put({ week: MONDAYS[3], who: 'Tam' });
    expect(await planned()).toEqual({ week: MONDAYS[3], who: 'Tam' });
    // Moved, it is still theirs; taken from them, it is nobody's.
    await put({ week: MONDAYS[2] });
    expect(await planned()).toEqual({ week: MONDAYS[2], who: 'Tam' });
    await put({ week: MONDAYS[2], who: null });
    expect(await planned()).toEqual({ week: MONDAYS[2], who: null });
    for (const week of [daysOn(1), daysOn(-7), daysOn(84)]) {
      const refused = await put({ week });
      expect([week, refused.status, refused.body.error.issues[0].path]).toEqual([
        week,
        400,
        'week',
      ]);
    }
    const { head, events } = signedAnew('Barge', 5000, new Date());
    await server.post('/jobs', head);
    await server.post(`/jobs/${head.id}/events`, events.slice(0, -1));
    expect(await planned()).not.toBeNull();
    await server.post(`/jobs/${head.id}/events`, events.slice(-1));
    expect(await planned()).toBeNull();
    await put({ week: MONDAYS[5] });
    expect((await put({ week: null })).body).toEqual(await read());
    expect(await planned()).toBeNull();
    // Out of the yard it is out of the plan, and comes back in no week.
    await put({ week: MONDAYS[5] });
    await server.patch(`/machines/${barge.id}`, { retired: true });
    await server.patch(`/machines/${barge.id}`, { retired: false });
    expect(await planned()).toBeNull();
  });

  it('take the shims that a signed job fitted out of the drawer, once', async () => {
    const shop = v.parse(ShopSchema, (await server.get('/shop')).body);
    const buy = { from: 2000, to: 3500, step: 25 };
    const stock = [
      { size: 2750, count: 2 },
      { size: 2800, count: 1 },
    ];
    await server.put('/shop', { ...shop, shims: { stock, buy } });
    const { head, events } = signedAnew('Barge', 5000, new Date());
    const like = events.at(-2)!;
    const own = (type: string, rest: object) => ({
      ...{ id: randomUUID(), job: head.id, at: like.at, by: like.by, type },
      ...rest,
    });
    const row = { id: 'intake.1', old: 2800, new: 2750, from: 'stock', lash: 300, sum: '' };
    // Before it is read and finished: a shim that is changed after that opens the engine again.
    const first = events.findIndex((each) => 'adjuster' in each && each.adjuster === 'intake.1');
    const shimmed = [
      ...events.slice(0, first),
      own('shim.found', { adjuster: 'intake.1', size: 2800 }),
      own('shims.planned', { rows: [row], buy: [], outside: [], order: [] }),
      own('shim.fitted', { adjuster: 'intake.1', size: 2750 }),
      ...events.slice(first),
    ].map((event, i) => ({ ...event, knew: undefined, n: i + 1 }));
    const drawer = async () => (await server.get('/shop')).body.shims.stock;
    await server.post('/jobs', head);
    await server.post(`/jobs/${head.id}/events`, shimmed.slice(0, -1));
    expect(await drawer()).toEqual(stock);
    for (let sent = 0; sent < 2; sent++) {
      await server.post(`/jobs/${head.id}/events`, shimmed.slice(-1));
      expect(await drawer()).toEqual([{ size: 2750, count: 1 }, stock[1]]);
    }
  });

  it('name the parts of planned machines with the first week, and go into the calendar', async () => {
    const { parts: none, machines } = await read();
    expect(none).toEqual([]);
    const moves = machines.map(({ id }, i) => ({ machine: id, week: MONDAYS[i % PLANNED_WEEKS] }));
    const { body } = await server.post('/weeks', { moves });
    expect(body.parts).toContainEqual(
      expect.objectContaining({ part: 'Rocker cover gasket', by: expect.any(String) }),
    );
    await server.put(`/weeks/${machines[0]!.id}`, { week: MONDAYS[0], who: 'Tam' });
    const calendar = await (await server.fetch('/due.ics')).text();
    expect(calendar).toContain(`SUMMARY:${machines[0]!.name}: check planned\\, Tam`);
    expect(calendar.match(/check planned/g)).toHaveLength(8);
    const pdf = Buffer.from(await (await server.fetch('/weeks/plan.pdf')).arrayBuffer());
    expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);
    // All of them or none.
    const wrong = [
      ...moves.slice(0, 1),
      { machine: '0'.repeat(8) + '-0000-4000-8000-000000000000', week: MONDAYS[0] },
    ];
    const before = await read();
    expect((await server.post('/weeks', { moves: wrong })).status).toBe(404);
    expect(await read()).toEqual(before);
  });

  it('go on where one of the planned machines cannot be read', async () => {
    const { machines } = await read();
    const moves = machines.map(({ id }) => ({ machine: id, week: MONDAYS[1] }));
    const whole: Weeks = (await server.post('/weeks', { moves })).body;
    const id = whole.machines.find(({ name }) => name === 'Salt truck 3')!.id;
    await spoil(server.db, `UPDATE jobs SET method = 'by ear' WHERE machine = $1`, id);
    const weeks = await read();
    expect(weeks.machines.length).toBeGreaterThanOrEqual(machines.length - 1);
    expect(weeks.machines.filter(({ planned }) => planned).length).toBeGreaterThan(5);
    for (const path of ['/weeks', '/weeks/plan.pdf', '/due.ics']) {
      expect([path, (await server.fetch(path)).status]).toEqual([path, 200]);
    }
    // Its page alone is broken: what it needs is not told, and nothing else stops.
    await server.db.write((transaction) =>
      server.db.whole.run(
        `UPDATE machine_reads SET page = '{}' WHERE machine = $1`,
        [moves[0]!.machine],
        transaction,
      ),
    );
    expect((await server.get('/weeks')).status).toBe(200);
  });

  it('are offered inside due dates and what a week takes, and nothing moves by itself', async () => {
    const shop = v.parse(ShopSchema, (await server.get('/shop')).body);
    await server.put('/shop', { ...shop, weekHours: 2 });
    const before = await read();
    const fixed = named(before, 'Barge');
    await server.put(`/weeks/${fixed.id}`, { week: MONDAYS[7] });
    const offer: Offer = (await server.post('/weeks/offer', {})).body;
    expect(offer).toMatchObject({ exact: true, within: null });
    expect(offer.moves.map(({ machine }) => machine)).not.toContain(fixed.id);
    expect(offer.moves.length).toBeGreaterThan(2);
    expect((await read()).machines.filter(({ planned }) => planned)).toHaveLength(1);
    const after: Weeks = (await server.post('/weeks', { moves: offer.moves })).body;
    for (const { machine, week } of offer.moves) {
      const { span, planned } = after.machines.find(({ id }) => id === machine)!;
      expect(planned!.week).toBe(week);
      expect(MONDAYS.indexOf(week)).toBeLessThanOrEqual(span!.to);
    }
    expect((await server.post('/weeks/offer', {})).body.moves).toEqual([]);
  });
});

it('finds the weeks that trying all of them finds', async () => {
  const chance = new SeededRandom(16);
  for (let round = 0; round < times(6, 60); round++) {
    const machines = Array.from({ length: 4 }, (_, i): ToPlan => {
      const from = Math.floor(chance.next() * 5);
      return {
        id: String(i),
        span: { from, to: from + Math.floor(chance.next() * 3) },
        minutes: 60 + Math.floor(chance.next() * 300),
        place: ['Quay', 'Slip', undefined][Math.floor(chance.next() * 3)],
        fixed: chance.next() < 0.2 ? 3 : undefined,
      };
    });
    const problem = { machines, minutesAWeek: chance.next() < 0.3 ? null : 300 };
    const found = await findWeeks(problem);
    expect(found.cost).toBeCloseTo(found.least);
    expect(found.cost).toBeCloseTo(bestOf(problem));
    machines.forEach(({ fixed }, i) => {
      if (fixed !== undefined) expect(found.weeks[i]).toBe(fixed);
    });
  }
});

/** The least that any plan costs, by trying each week of each machine. */
function bestOf(
  problem: { machines: ToPlan[]; minutesAWeek: number | null },
  so: number[] = [],
): number {
  const { machines } = problem;
  if (so.length === machines.length) return costOfPlan(problem, so);
  const { fixed } = machines[so.length]!;
  const weeks =
    fixed === undefined ? Array.from({ length: PLANNED_WEEKS }, (_, week) => week) : [fixed];
  return Math.min(...weeks.map((week) => bestOf(problem, [...so, week])));
}
