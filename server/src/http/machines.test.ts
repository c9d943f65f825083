import { randomUUID } from 'node:crypto';
import type {
  EventsPage,
  JobAct,
  JobContext,
  MachineDetail,
  MachineLine,
  MachinePatch,
  MachinePost,
  ReadingOnRecord,
  SheetDetail,
} from '@longbar/core';
import {
  addedMachine,
  begunOf,
  changedMachine,
  formatHours,
  localDay,
  MachineDetailSchema,
  machineRead,
  recordOf,
  recordPage,
  ShopSchema,
} from '@longbar/core';
import * as v from 'valibot';
import { NOW } from '../../test-support/now';
import { signedAnew } from '../../test-support/signedAnew';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { MACHINES, SHEETS } from '../demo/yard';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const SHEET = SHEETS[0]!.id;
const PUMP = MACHINES[0]!.id;
const machine = (more: object = {}): MachinePost => ({
  id: randomUUID(),
  name: 'Skiff',
  sheet: SHEET,
  ...more,
});
const add = async (more: object = {}) => {
  const made = machine(more);
  expect((await server.post('/machines', made)).status).toBe(201);
  return made.id;
};
const page = async (id: string) => (await server.get(`/machines/${id}`)).body as MachineDetail;
const names = async (query = '') =>
  ((await server.get(`/machines${query}`)).body as MachineLine[]).map(({ name }) => name);

describe('a machine that is added', () => {
  it('stands in the yard with all that was said of it, and falls due', async () => {
    const said = { place: 'Quay 2', owner: 'Skerrow', serial: 'S-77', tag: 'B' };
    const service = { inServiceSince: '2026-03-01', hoursThen: 12, hoursAYear: 730 };
    const made = machine({ ...said, ...service });
    const answer = await server.post('/machines', made);
    expect(answer.status).toBe(201);
    expect(v.is(MachineDetailSchema, answer.body)).toBe(true);
    expect(answer.body).toMatchObject({
      ...said,
      hours: { date: '2026-03-01', hours: 12 },
      baseline: service,
      due: { by: 'break-in', atHours: 72, hoursLeft: 60 },
    });
    expect(await names()).toContain('Skiff');
    expect((await server.get('/search?q=S-77')).body).toMatchObject([{ machine: made.id }]);
  });

  it('is the same when it is sent again, and refused when it is another', async () => {
    const made = machine();
    expect((await server.post('/machines', made)).status).toBe(201);
    await server.patch(`/machines/${made.id}`, { name: 'Skiff two' });
    const again = await server.post('/machines', made);
    expect([again.status, again.body.name]).toEqual([200, 'Skiff two']);
    const other = await server.post('/machines', { ...made, name: 'Another' });
    expect([other.status, other.body.error.issues[0].path]).toEqual([409, 'id']);
  });

  it.each([
    ['id', { id: 'one' }],
    ['name', { name: '  ' }],
    ['sheet', { sheet: randomUUID() }],
    ['sheet', { sheet: undefined }],
    ['place', { place: 7 }],
    ['photo', { photo: 'plate.jpg' }],
    ['inServiceSince', { inServiceSince: '2026-02-30' }],
    ['inServiceSince', { inServiceSince: '2999-01-01' }],
    ['hoursThen', { hoursThen: -1 }],
    ['hoursAYear', { hoursAYear: 9000 }],
  ])('is refused by its %s where that is wrong', async (path, wrong) => {
    const answer = await server.post('/machines', { ...machine(), ...wrong });
    expect(answer.status).toBe(400);
    expect(answer.body.error.issues[0].path).toBe(path);
    expect(answer.body.error.issues[0].message).not.toBe('');
  });
});

describe('a machine that is changed', () => {
  it('keeps what is not named, and loses what is null', async () => {
    const id = await add({ place: 'Quay 2', owner: 'Skerrow', hoursAYear: 300 });
    const change = { place: null, serial: 'S-1', hoursAYear: null };
    const { body } = await server.patch(`/machines/${id}`, change);
    expect(body).toMatchObject({ name: 'Skiff', owner: 'Skerrow', serial: 'S-1' });
    expect(body).not.toHaveProperty('place');
    expect(body.baseline).toEqual({ last: null, breakInDone: false });
  });

  it('goes by a newer revision only once somebody takes it', async () => {
    const own = { ...SHEETS[1]!.document, name: 'Own sheet' };
    const sheet = randomUUID();
    const publish = (document: object) => server.post('/sheets', { id: sheet, document });
    await publish(own);
    const id = await add({ sheet });
    await publish({ ...own, service: { everyHours: 123 } });
    expect((await page(id)).sheet).toEqual({ id: sheet, revision: 1, newest: 2 });
    const { body } = await server.patch(`/machines/${id}`, { sheet });
    expect(body.sheet).toEqual({ id: sheet, revision: 2 });
    expect(body).toMatchObject({ interval: 123, due: { atHours: 123 } });
    const missing = await server.patch(`/machines/${id}`, { sheet, sheetRevision: 9 });
    expect(missing.body.error.issues[0].path).toBe('sheetRevision');
  });

  it('has its drift worked out anew at once where it goes by another sheet or other hours', async () => {
    const id = await add();
    const heard = async (work: Promise<{ status: number }>) => {
      const before = server.driftsDue();
      expect((await work).status).toBeLessThan(300);
      return server.driftsDue() - before;
    };
    const read = (date: string, hours: number, more = {}) =>
      server.post(`/machines/${id}/hours`, { date, hours, ...more });
    expect(await heard(server.patch(`/machines/${id}`, { name: 'Skiff 2' }))).toBe(0);
    expect(await heard(server.patch(`/machines/${id}`, { sheet: SHEETS[1]!.id }))).toBe(1);
    expect(await heard(read('2026-05-01', 40))).toBe(0);
    expect(await heard(read('2026-05-20', 3, { replaced: true }))).toBe(1);
    const { id: kept } = (await page(id)).readings.find(({ hours }) => hours === 40)!;
    expect(await heard(server.patch(`/machines/${id}/hours/${kept}`, { hours: 41 }))).toBe(1);
  });

  it('is out of the yard when it is retired, and comes back', async () => {
    const id = await add({ name: 'Old hoist' });
    expect((await server.patch(`/machines/${id}`, { retired: true })).body.retired).toBe(true);
    expect(await names()).not.toContain('Old hoist');
    expect(await names('?retired=1')).toContain('Old hoist');
    expect((await server.get('/due.ics')).body).not.toContain('Old hoist');
    await server.patch(`/machines/${id}`, { retired: false });
    expect(await names()).toContain('Old hoist');
    expect(await names('?retired=1')).not.toContain('Old hoist');
  });

  it.each([
    ['name', { name: '' }],
    ['sheet', { sheet: randomUUID() }],
    ['sheetRevision', { sheetRevision: 1 }],
    ['retired', { retired: 'yes' }],
    ['inServiceSince', { inServiceSince: '2026-13-01' }],
  ])('is refused by its %s where that is wrong', async (path, wrong) => {
    const answer = await server.patch(`/machines/${PUMP}`, wrong);
    expect([answer.status, answer.body.error.issues[0].path]).toEqual([400, path]);
  });

  it('is not changed where there is none', async () => {
    expect((await server.patch(`/machines/${randomUUID()}`, {})).status).toBe(404);
    expect((await server.get('/machines?retired=2')).status).toBe(400);
  });
});

describe('a phone without signal', () => {
  /** What both say, without the names that the server gives its readings. */
  const said = (machine: MachineDetail) => ({
    ...machine,
    readings: machine.readings.map(({ date, hours }) => ({ date, hours })),
    lockPairs: undefined,
    notes: undefined,
  });

  it('makes the same of what was typed as the server does', async () => {
    const today = localDay(new Date());
    const sheetOf = async (id: string) => (await server.get(`/sheets/${id}`)).body as SheetDetail;
    const own = machine({ owner: 'Skerrow', inServiceSince: '2026-01-10', hoursThen: 7 });
    let phone = addedMachine(own, await sheetOf(SHEET), today);
    await server.post('/machines', own);
    const same = async () => expect(said(phone)).toEqual(said(await page(own.id)));
    await same();
    const patches: MachinePatch[] = [
      { place: 'Shed', hoursThen: 9, serial: 'S-4' },
      { sheet: SHEETS[2]!.id, owner: null },
      { hoursAYear: 900, inServiceSince: '2026-02-01' },
      { retired: true },
    ];
    for (const patch of patches) {
      const sheet = patch.sheet === undefined ? undefined : await sheetOf(patch.sheet);
      phone = changedMachine(phone, patch, sheet, today);
      await server.patch(`/machines/${own.id}`, patch);
      await same();
    }
    const readings = [
      { date: '2026-03-01', hours: 30 },
      { date: '2026-04-01', hours: 61 },
      { date: '2026-05-01', hours: 4, replaced: true },
      { date: '2026-06-01', hours: 40 },
    ];
    for (const reading of readings) {
      phone = machineRead(phone, reading, today);
      expect((await server.post(`/machines/${own.id}/hours`, reading)).status).toBe(201);
      await same();
    }
  });
});

describe('a machine that is deleted', () => {
  it('goes with its readings where there is no record, and stays where there is', async () => {
    const id = await add({ name: 'Mistake' });
    await server.post(`/machines/${id}/hours`, { date: '2026-05-01', hours: 5 });
    expect((await server.delete(`/machines/${id}`)).status).toBe(204);
    expect((await server.get(`/machines/${id}`)).status).toBe(404);
    expect(await names()).not.toContain('Mistake');
    const refused = await server.delete(`/machines/${PUMP}`);
    expect([refused.status, refused.body.error.message]).toEqual([
      409,
      expect.stringContaining('Retire it instead'),
    ]);
  });
});

describe('a reading of the hour meter that was wrong', () => {
  const post = (id: string, date: string, hours: number, more: object = {}) =>
    server.post(`/machines/${id}/hours`, { date, hours, ...more });
  const reading = async (id: string, hours: number): Promise<ReadingOnRecord> => {
    const found = (await page(id)).readings.find((each) => each.hours === hours);
    if (!found) throw new Error(`No reading of ${hours} h.`);
    return found;
  };
  const correct = async (id: string, from: number, hours: number | null) =>
    server.patch(`/machines/${id}/hours/${(await reading(id, from)).id}`, { hours });

  it('is put right, what stood there is kept, and what is due follows', async () => {
    const id = await add();
    await post(id, '2026-05-01', 40);
    await post(id, '2026-05-20', 58);
    expect((await page(id)).due).toMatchObject({ hoursLeft: 2 });
    const { body } = await correct(id, 58, 48);
    expect(body).toMatchObject({ hours: { hours: 48 }, due: { hoursLeft: 12 } });
    await correct(id, 48, 50);
    expect(await reading(id, 50)).toMatchObject({ date: '2026-05-20', was: [58, 48] });
    const against = await correct(id, 50, 12);
    expect([against.status, against.body.error.issues[0].path]).toEqual([400, 'hours']);
  });

  it('is taken back and counts no more, until it is put there again', async () => {
    const id = await add();
    await post(id, '2026-05-01', 40);
    await post(id, '2026-05-20', 55);
    await correct(id, 55, null);
    expect(await page(id)).toMatchObject({ hours: { hours: 40 }, due: { hoursLeft: 20 } });
    expect(await reading(id, 55)).toMatchObject({ takenBack: true });
    await correct(id, 55, 55);
    expect((await page(id)).hours).toEqual({ date: '2026-05-20', hours: 55 });
  });

  it('takes the meter that was fitted that day with it', async () => {
    const id = await add();
    await post(id, '2026-05-01', 100);
    await post(id, '2026-05-20', 3, { replaced: true });
    expect((await page(id)).meter).toEqual([{ date: '2026-05-20', offset: 97, first: 3 }]);
    await correct(id, 100, 90);
    expect((await page(id)).meter).toEqual([{ date: '2026-05-20', offset: 87, first: 3 }]);
    await correct(id, 3, null);
    expect(await page(id)).toMatchObject({ meter: [], hours: { hours: 90 } });
  });

  it('of the day the meter was replaced stays the old meter’s', async () => {
    const id = await add();
    await post(id, '2026-05-01', 20);
    await post(id, '2026-05-20', 45);
    await post(id, '2026-05-20', 3, { replaced: true });
    const { hours, due, readings } = await page(id);
    expect(hours).toEqual({ date: '2026-05-20', hours: 3 });
    expect(due).toMatchObject({ hoursLeft: 15 });
    expect(readings.map((each) => each.hours)).toEqual([3, 45, 20]);
  });

  it('of a signed job is put right for all that is counted by it', async () => {
    const before = await page(PUMP);
    const { id: job, summary } = before.history[0]!;
    const shown = summary.hours!.hours;
    const path = `/machines/${PUMP}/hours/${job}`;
    const { body } = await server.patch(path, { hours: shown - 2 });
    expect(body.due.atHours).toBe(before.due!.atHours! - 2);
    expect(body.history[0].summary.hours.hours).toBe(shown - 2);
    expect(body.lastLeft.hours.hours).toBe(shown - 2);
    expect((await reading(PUMP, shown - 2)).was).toEqual([shown]);
    // Whoever is shown the job is told so, on the record and in the table.
    const { events } = (await server.get(`/jobs/${job}/events?after=0`)).body as EventsPage;
    const context = (await server.get(`/jobs/${job}`)).body as JobContext;
    const { facts } = recordPage(recordOf(begunOf(context), events));
    const fact = (of: string) => facts.find(({ name }) => name === of)?.value;
    expect(fact('Hours')).toMatch(/put right since: .* h when it was signed$/);
    expect(fact('Next check')).toContain(` ${formatHours(shown - 2 + 600)} h`);
    const csv = await (await server.fetch('/readings.csv')).text();
    const line = csv.split('\r\n').find((each) => each.includes(job));
    expect(line?.split(',')[4]).toBe(String(shown - 2));
    expect((await server.patch(path, { hours: null })).status).toBe(400);
    await server.patch(path, { hours: shown });
    expect(await reading(PUMP, shown)).toMatchObject({ was: [shown, shown - 2] });
  });

  it('of a job is of the day that it was at the shop, and so is what months are counted from', async () => {
    const { head, events } = signedAnew('Launch', 1370, NOW);
    await server.post('/jobs', head);
    expect((await server.post(`/jobs/${head.id}/events`, events)).status).toBe(200);
    const shop = v.parse(ShopSchema, (await server.get('/shop')).body);
    const by = async (timeZone?: string) => {
      expect((await server.put('/shop', { ...shop, timeZone })).status).toBe(200);
      return (await page(head.machine)).due?.date?.from;
    };
    // Begun at 7:40 in Greenwich: in the evening before, twelve hours to the west.
    expect(head.at).toBe('2026-11-23T07:40:00.000Z');
    expect(await by('Etc/GMT-1')).toBe('2027-11-23');
    expect(await by('Etc/GMT+12')).toBe('2027-11-22');
    expect(await by('Etc/GMT-1')).toBe('2027-11-23');
    await by(shop.timeZone);
  });

  it('that nobody could read at a check leaves it a check: board and record say when the next is due', async () => {
    const { head, events } = signedAnew('Standby set', 0, NOW, (told) =>
      told.map((each): JobAct | (typeof told)[number] =>
        each.type === 'hours.read'
          ? { type: 'gate.exempted', gate: 'hours', reason: 'The glass is broken' }
          : each,
      ),
    );
    await server.post('/jobs', head);
    expect((await server.post(`/jobs/${head.id}/events`, events)).status).toBe(200);
    const { due, history, jobs } = await page(head.machine);
    expect(history[0]).toMatchObject({ id: head.id, summary: { hours: null } });
    expect(jobs.signed).toBe(history.length);
    expect(due).toMatchObject({ by: 'months', date: { from: '2028-11-23', to: '2028-11-23' } });
    const context = (await server.get(`/jobs/${head.id}`)).body as JobContext;
    const { facts } = recordPage(recordOf(begunOf(context), events));
    expect(facts.find(({ name }) => name === 'Next check')?.value).toMatch(/, or on 23 Nov 2028,/);
  });

  it('is told to a job on it, with the meter’s changes and without what was taken back', async () => {
    const id = await add();
    await post(id, '2026-05-01', 20);
    await post(id, '2026-05-10', 45);
    await post(id, '2026-05-11', 60);
    await correct(id, 60, null);
    await post(id, '2026-05-20', 3, { replaced: true });
    const job = { id: randomUUID(), machine: id, method: 'each', sheetRevision: 1 };
    const of = { ...job, at: '2026-05-21T08:00:00.000Z', by: 'Ina' };
    expect((await server.post('/jobs', of)).status).toBe(201);
    const { hourMeter } = (await server.get(`/jobs/${of.id}`)).body as JobContext;
    expect(hourMeter?.readings.map(({ hours }) => hours)).toEqual([20, 45, 3]);
    expect(hourMeter?.meter).toEqual([{ date: '2026-05-20', offset: 42, first: 3 }]);
  });

  it('is not found where there is none', async () => {
    expect((await server.patch(`/machines/${PUMP}/hours/999999`, { hours: 1 })).status).toBe(404);
    expect((await server.patch(`/machines/${PUMP}/hours/1`, { hours: 'x' })).status).toBe(400);
  });
});
