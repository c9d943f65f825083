import { randomUUID } from 'node:crypto';
import type { JobEvent, Me } from '@longbar/core';
import { setTimeout } from 'node:timers/promises';
import { AnyRow } from '../../test-support/anyRow';
import { hear } from '../../test-support/hear';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { MACHINES } from '../demo/yard';
import { jobRow } from '../store/yard/jobRow';
import { keepArrivals } from '../store/journal/appends';

/** Two processes of the application on one database, and a proxy that sends a phone to either. */
let one: TestServer;
let other: TestServer;
beforeAll(async () => {
  one = await startTestServer();
  other = await startTestServer({ beside: one });
});
afterAll(async () => {
  await other.close();
  await one.close();
});

const AT = '2026-11-23T08:10:00.000Z';

async function someJob(): Promise<string> {
  const id = randomUUID();
  const head = { id, machine: MACHINES[1]!.id, method: 'each', sheetRevision: 1, by: 'Ina' };
  await other.post('/jobs', { ...head, at: AT });
  return id;
}

const note = (job: string, n: number) => ({
  ...{ id: randomUUID(), job, n, at: AT, by: 'Ina' },
  type: 'bar.out',
});

/** Asks again until it is so: what another process tells comes a moment later. */
async function until(isSo: () => Promise<boolean>): Promise<void> {
  while (!(await isSo())) await setTimeout(20);
}

describe('phones on two processes of one shop', () => {
  it('hear at once what the other writes down', async () => {
    const job = await someJob();
    const events = [note(job, 1), note(job, 2), note(job, 3)];
    const pages = await hear(one, `/jobs/${job}/stream`, { kind: 'events', count: 3 }, async () => {
      for (const event of events) {
        await other.post(`/jobs/${job}/events`, [event]);
        await setTimeout(50);
      }
    });
    expect(pages.flatMap((page) => page.events)).toEqual(events);
  });

  it('hear each other’s beats', async () => {
    const job = await someJob();
    const silent = { turn: null, clearFor: null, said: null };
    const beat = { device: randomUUID(), role: 'helper', beat: 1, heard: 0, ...silent };
    const path = `/jobs/${job}/stream`;
    const heard = await hear(one, path, { kind: 'beat', count: 1 }, () =>
      other.post(`/jobs/${job}/beats`, beat),
    );
    expect(heard).toEqual([beat]);
  });

  it('believe no phone that makes up the beats of another, by whichever process', async () => {
    const job = await someJob();
    const silent = { turn: null, clearFor: null, said: null };
    const beat = { device: randomUUID(), role: 'helper', heard: 0, ...silent };
    const another = await other.pairedAs('Noor', 'technician');
    const path = `/jobs/${job}/stream`;
    const heard = await hear(one, path, { kind: 'beat', count: 2 }, async () => {
      await one.post(`/jobs/${job}/beats`, { ...beat, beat: 1 });
      await setTimeout(200);
      const madeUp = await other.fetch(`/jobs/${job}/beats`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: another },
        body: JSON.stringify({ ...beat, beat: 2 }),
      });
      expect(madeUp.status).toBe(204);
      await setTimeout(200);
      await one.post(`/jobs/${job}/beats`, { ...beat, beat: 3 });
    });
    expect(heard).toEqual([1, 3].map((n) => ({ ...beat, beat: n })));
  });

  it('are let go, and given other roles, by all of them', async () => {
    const cookie = await other.pairedAs('Ruben', 'foreman');
    const asks = async (server: TestServer, path: string) =>
      (await server.fetch(path, { headers: { cookie } })).status;
    const { id, phone } = (await (await one.fetch('/me', { headers: { cookie } })).json()) as Me;
    expect(await asks(one, '/audit')).toBe(200);
    expect((await other.patch(`/people/${id}`, { role: 'helper' })).status).toBe(200);
    expect(await asks(other, '/audit')).toBe(403);
    await until(async () => (await asks(one, '/audit')) === 403);
    expect(await asks(one, '/machines')).toBe(200);
    expect((await other.delete(`/people/phones/${phone}`)).status).toBe(200);
    expect(await asks(other, '/machines')).toBe(401);
    await until(async () => (await asks(one, '/machines')) === 401);
  });

  it('see the yard, a machine and the calendar as the other left them', async () => {
    const { id } = MACHINES[0]!;
    const nameOn = async (server: TestServer) => (await server.get(`/machines/${id}`)).body.name;
    const listed = async () => JSON.stringify((await one.get('/machines')).body);
    for (const name of ['Brine pump A', 'Brine pump B']) {
      // It is packed here before it is changed there.
      await nameOn(one);
      expect((await other.patch(`/machines/${id}`, { name })).status).toBe(200);
      await until(async () => (await nameOn(one)) === name);
      expect(await listed()).toContain(name);
    }
    const { key } = (await one.get('/calendar')).body;
    await other.post('/calendar', {});
    const isOver = async () => (await fetch(`${one.url}/calendar/${key}.ics`)).status !== 200;
    await until(isOver);
  });

  it('hear what they must where somebody else speaks on the same channel', async () => {
    const job = await someJob();
    const event = note(job, 1);
    const path = `/jobs/${job}/stream`;
    const pages = await hear(one, path, { kind: 'events', count: 1 }, async () => {
      await other.db.whole.some("SELECT pg_notify('longbar', 'no message at all')");
      await other.post(`/jobs/${job}/events`, [event]);
    });
    expect(pages.flatMap((page) => page.events)).toEqual([event]);
  });

  it('fill a job to its bound and no further, whichever of them each asks', async () => {
    const job = await someJob();
    const first = note(job, 1);
    // Here it is counted, and then most of it comes there.
    expect((await one.post(`/jobs/${job}/events`, [first])).status).toBe(200);
    const many = Array.from({ length: 9_999 }, (_, i) => note(job, i + 2) as JobEvent);
    await other.db.write(async (transaction) => {
      const row = await jobRow(other.db, job, transaction);
      const arrival = { job: row, events: many, at: AT, person: null };
      await keepArrivals(other.db, [arrival], transaction);
    });
    const full = async () => (await one.post(`/jobs/${job}/events`, [note(job, 10_001)])).status;
    await until(async () => (await full()) === 403);
    expect(await other.db.tables.events.count({ where: { job } })).toBeLessThan(10_010);
  });

  it('go on hearing each other after their database cut them off', async () => {
    const job = await someJob();
    const [first, second] = [note(job, 1), note(job, 2)];
    const cut = `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
      WHERE datname = current_database() AND pid <> pg_backend_pid()`;
    const path = `/jobs/${job}/stream`;
    const wanted = { kind: 'events', count: 2, asksAgain: true } as const;
    const pages = await hear(one, path, wanted, async () => {
      await other.post(`/jobs/${job}/events`, [first]);
      await one.db.whole.rows(AnyRow, cut);
      await until(async () => (await other.post(`/jobs/${job}/events`, [second])).status === 200);
    });
    expect(pages.flatMap((page) => page.events)).toEqual([first, second]);
  });
});

describe('what one process at a time does', () => {
  it('is done by one after the other, and by another where one has died', async () => {
    const order: string[] = [];
    const work = (name: string) => async () => {
      order.push(`${name} begins`);
      await setTimeout(100);
      order.push(`${name} ends`);
    };
    await Promise.all([one.db.alone('test', work('a')), other.db.alone('test', work('b'))]);
    expect(order).toHaveLength(4);
    expect(order[0]!.slice(0, 1)).toBe(order[1]!.slice(0, 1));
    const third = await startTestServer({ beside: one });
    let free = (): void => undefined;
    const stuck = third.db.alone('test', () => new Promise((resolve) => (free = resolve)));
    await until(async () =>
      third.db.whole.some("SELECT 1 FROM pg_locks WHERE locktype = 'advisory'"),
    );
    await third.close();
    await one.db.alone('test', async () => {
      order.push('after');
    });
    expect(order.at(-1)).toBe('after');
    free();
    await stuck;
  });
});
