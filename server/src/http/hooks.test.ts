import type { Hook, MachineLine } from '@longbar/core';
import { HookMessageSchemas, localDay } from '@longbar/core';
import { pino } from 'pino';
import * as v from 'valibot';
import { NOW } from '../../test-support/now';
import { signedAnew } from '../../test-support/signedAnew';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { HookKeeper } from '../hooks/hookKeeper';
import type { HookFault } from '../hooks/standIn';
import { HookStandIn } from '../hooks/standIn';
import type { Reach } from '../outgoing/askOutside';
import { signedToTell } from '../store/yard/hookMessages';

let server: TestServer;
let standIn: HookStandIn;
let secret = '';
let id = '';

beforeEach(async () => {
  server = await startTestServer();
  standIn = await HookStandIn.start(() => secret);
});
afterEach(async () => {
  await server.close();
  await standIn.stop();
});

/** Adds the stand-in; the first message comes before its secret is known to it, as it must. */
async function add(): Promise<void> {
  const added = await server.post('/hooks', { address: standIn.address });
  expect(added.status).toBe(201);
  ({ secret } = added.body);
  [{ id }] = added.body.hooks;
}
const state = async (): Promise<Hook> => (await server.get('/hooks')).body[0];
const send = async (): Promise<Hook> => (await server.post(`/hooks/${id}/send`, {})).body[0];
const lines = async (): Promise<MachineLine[]> => (await server.get('/machines')).body;
/** It waits for an answer as long as it takes, except where none is to come. */
const keeper = (reach: Reach, within = 60_000) =>
  new HookKeeper(server.db, reach, pino({ level: 'silent' }), within);
const types = () => standIn.taken.map(({ body }) => (body as { type: string }).type);

const later = (minutes: number) => new Date(Date.now() + minutes * 60_000);

describe('a program that is told', () => {
  it('proves by its secret who tells it, and the secret is told once', async () => {
    secret = 'whsec_YW5vdGhlcg==';
    await add();
    expect(await state()).toMatchObject({
      told: 0,
      waiting: 1,
      last: { problem: 'It answered 401.' },
    });
    expect(JSON.stringify(await state())).not.toContain(secret);
    // With its secret both the first test and the second arrive, each once.
    expect(await send()).toMatchObject({
      told: 2,
      waiting: 0,
      last: { problem: null },
      nextAt: null,
    });
    await send();
    expect(types()).toEqual(['test', 'test', 'test']);
    const renewed = await server.post(`/hooks/${id}/secret`, {});
    expect(renewed.body.secret).not.toBe(secret);
    expect(await send()).toMatchObject({ waiting: 1, last: { problem: 'It answered 401.' } });
  });

  it('hears of each signed record and each check that falls due, once', async () => {
    await add();
    await send();
    await server.hooks.look(new Date());
    const due = types().filter((type) => type === 'machine.due').length;
    expect(due).toBeGreaterThan(1);
    expect(types()).not.toContain('record.signed');
    const { head, events } = signedAnew('Barge', 5000, new Date());
    await server.post('/jobs', head);
    await server.post(`/jobs/${head.id}/events`, events.slice(0, -1));
    await server.hooks.look(new Date());
    expect(types()).not.toContain('record.signed');
    const before = standIn.taken.length;
    await server.post(`/jobs/${head.id}/events`, events.slice(-1));
    await server.hooks.look(new Date());
    await server.hooks.look(later(600));
    const told = standIn.taken.slice(before).map(({ body }) => body);
    const barge = (await lines()).find((line) => line.id === head.machine)!;
    const { seal } = (await server.get(`/jobs/${head.id}/seal`)).body;
    expect(told).toEqual([
      expect.objectContaining({
        type: 'record.signed',
        data: expect.objectContaining({
          seal,
          machine: expect.objectContaining({ id: barge.id, name: barge.name }),
          job: expect.objectContaining({ id: head.id }),
          due: barge.due,
        }),
      }),
    ]);
    for (const { body } of standIn.taken) {
      const { type } = body as { type: keyof typeof HookMessageSchemas };
      expect([type, v.is(HookMessageSchemas[type], body)]).toEqual([type, true]);
    }
  });

  it('hears of a record at a machine that has left the yard, and drops none it cannot read yet', async () => {
    await add();
    await send();
    const { head, events } = signedAnew('Barge', 5000, new Date());
    await server.post('/jobs', head);
    await server.post(`/jobs/${head.id}/events`, events.slice(0, -1));
    await server.patch(`/machines/${head.machine}`, { retired: true });
    const records = () => types().filter((type) => type === 'record.signed');
    const readAgain = (stale: number) =>
      server.db.write((transaction) =>
        server.db.whole.run(
          "UPDATE job_reads SET stale = $1, summary = json_remove(summary, '$.signed') WHERE job = $2",
          [stale, head.id],
          transaction,
        ),
      );
    await server.post(`/jobs/${head.id}/events`, events.slice(-1));
    await server.hooks.look(new Date());
    expect(records()).toHaveLength(1);
    // As one that was set aside: it waits, and is told once it is read again.
    await server.db.write(async (transaction) => {
      await server.db.whole.run('DELETE FROM hook_messages', [], transaction);
      await signedToTell(server.db, head.id, transaction);
    });
    await readAgain(2);
    await server.hooks.look(new Date());
    expect(records()).toHaveLength(1);
    await readAgain(1);
    await server.hooks.look(new Date());
    expect(records()).toHaveLength(2);
  });

  it('hears again of a check once it is overdue, and of the next one', async () => {
    await add();
    await send();
    const line = (await lines()).find(
      ({ due }) => due?.by === 'hours' && (due.hoursLeft ?? 0) > 60,
    )!;
    const told = () =>
      standIn.taken
        .map(({ body }) => (body as { data: { machine?: { id: string }; urgency?: string } }).data)
        .filter(({ machine }) => machine?.id === line.id)
        .map(({ urgency }) => urgency);
    const read = async (left: number) => {
      const hours = line.due!.atHours! - left;
      // Some days after the last one: so many hours do not go into one day.
      const date = localDay(NOW);
      await server.post(`/machines/${line.id}/hours`, { date, hours, sure: true });
      await server.hooks.look(new Date());
    };
    await server.hooks.look(new Date());
    expect(told()).toEqual([]);
    await read(20);
    await read(10);
    expect(told()).toEqual(['soon']);
    await read(-2);
    expect(told()).toEqual(['soon', 'overdue']);
  });

  it.each<[HookFault, string, number]>([
    ['broken', 'It answered 500.', 1],
    ['moved', 'It answered 302.', 1],
    ['slow', 'No whole answer came within 0.1 s.', 1],
    // It had taken it, and cannot say so: it tells by the id that it is the same.
    ['cut-off', 'The answer was cut off.', 1],
  ])(
    'that is %s is told again, ever more seldom, and then no more until somebody wants it',
    async (fault, problem, taken) => {
      await add();
      await send();
      const before = standIn.taken.length;
      standIn.fault = fault;
      const impatient = keeper({ anywhere: true }, fault === 'slow' ? 100 : undefined);
      await impatient.sendTest(id, new Date());
      const { waiting, nextAt, last } = await state();
      expect({ waiting, problem: last?.problem }).toEqual({ waiting: 1, problem });
      expect(Date.parse(nextAt!) - Date.parse(last!.at)).toBe(60_000);
      await impatient.send(later(0.5));
      expect((await state()).nextAt).toBe(nextAt);
      const waits: number[] = [];
      for (let tries = 1; (await state()).nextAt !== null; tries++) {
        expect(tries).toBeLessThan(12);
        await impatient.send(new Date((await state()).nextAt!));
        const now = await state();
        if (now.nextAt) waits.push(Date.parse(now.nextAt) - Date.parse(now.last!.at));
      }
      expect(waits).toEqual([...waits].sort((a, b) => a - b));
      expect(await state()).toMatchObject({ waiting: 0, givenUp: 1 });
      standIn.fault = undefined;
      expect(await send()).toMatchObject({ waiting: 0, givenUp: 0, last: { problem: null } });
      expect(standIn.taken.length - before).toBe(taken + 1);
    },
  );

  it('is on the internet, unless the server may call its own network', async () => {
    const nowhere = keeper({});
    await add();
    await nowhere.sendTest(id, new Date());
    expect((await state()).last?.problem).toMatch(/own network/);
    for (const address of ['ftp://there/told', 'https://a:b@there.example/', 'there']) {
      const refused = await server.post('/hooks', { address });
      expect([refused.status, refused.body.error.issues[0].path]).toEqual([400, 'address']);
    }
  });

  it('is told no more once it is removed, and what waited goes where it moved', async () => {
    await add();
    const elsewhere = await HookStandIn.start(() => secret);
    standIn.fault = 'broken';
    await send();
    expect(await server.put(`/hooks/${id}`, { address: elsewhere.address })).toMatchObject({
      status: 200,
    });
    expect((await send()).waiting).toBe(0);
    expect(elsewhere.taken.length).toBe(3);
    expect((await server.delete(`/hooks/${id}`)).body).toEqual([]);
    await server.hooks.look(new Date());
    expect(elsewhere.taken.length).toBe(3);
    expect((await server.post(`/hooks/${id}/send`, {})).status).toBe(404);
    await elsewhere.stop();
  });
});
