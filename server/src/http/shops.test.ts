import { randomUUID } from 'node:crypto';
import { formatInBoth, formatInstant, localDay, SHOP_HEADER } from '@longbar/core';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { NOW } from '../../test-support/now';
import { loadDemo } from '../demo/loadDemo';
import { MACHINES } from '../demo/yard';
import { inShop } from '../inShop';
import type { Database } from '../store/sql/database';
import { beginPairing } from '../store/yard/pairing';
import { identityOf } from '../store/yard/shop';
import { openShop } from '../store/yard/shops';

let server: TestServer;
let second: Database;
/** The cookie of the second shop's foreman. */
let cookie: string;
beforeAll(async () => {
  server = await startTestServer();
  second = await openShop(server.db);
  await loadDemo(second, NOW);
  cookie = await server.pairedAs('Bo', 'foreman', second);
});
afterAll(() => server.close());

/** Asks as the second shop's foreman. */
async function inSecond(method: string, path: string, body?: unknown, headers = {}) {
  const answer = await server.fetch(path, {
    method,
    headers: { cookie, 'content-type': 'application/json', ...headers },
    body: body === undefined ? null : JSON.stringify(body),
  });
  const text = await answer.text();
  return { status: answer.status, body: text === '' ? undefined : JSON.parse(text), answer };
}

describe('several shops on one server', () => {
  it('each go by their own days, however the other is asked meanwhile', async () => {
    const [early, late] = ['Etc/GMT+12', 'Etc/GMT-14'];
    const { body: rules } = await server.get('/shop');
    const own = Object.keys(rules).filter((key) => ['policy', 'bladeSets', 'shims'].includes(key));
    const shop = { name: 'Yard', ...Object.fromEntries(own.map((key) => [key, rules[key]])) };
    expect((await server.put('/shop', { ...shop, timeZone: early })).status).toBe(200);
    expect((await inSecond('PUT', '/shop', { ...shop, timeZone: late })).status).toBe(200);
    // It is 26 hours later there: another day at every moment.
    const day = inShop({ timeZone: late }, () => localDay(new Date()));
    const reading = { date: day, hours: 1_000_000, sure: true };
    const path = `/machines/${MACHINES[0]!.id}/hours`;
    const [ahead, today] = await Promise.all([
      server.post(path, reading),
      inSecond('POST', path, reading),
    ]);
    expect(ahead.body.error.message).toMatch('The date lies ahead');
    expect(today.body?.error?.message ?? '').not.toMatch('The date lies ahead');
  });

  it('are told by the code whose phone it is, and by the phone which shop it is', async () => {
    const { code } = await beginPairing(second, { name: 'Ola', role: 'reader' }, new Date());
    const answer = await server.fetch('/pair', {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: '' },
      body: JSON.stringify({ code }),
    });
    expect(answer.status).toBe(201);
    const { id } = await identityOf(second);
    expect(answer.headers.get(SHOP_HEADER)).toBe(id);
    const phone = (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
    const asked = await server.fetch('/shop', { headers: { cookie: phone } });
    expect((await asked.json()).id).toBe(id);
    const meant = await server.fetch('/machines', {
      headers: { cookie: phone, [SHOP_HEADER]: (await identityOf(server.db)).id },
    });
    expect(meant.status).toBe(421);
    // Nobody of the first shop learns of them.
    expect(JSON.stringify((await server.get('/people')).body)).not.toContain('Ola');
  });

  it('have a calendar each, and share records each by their own links', async () => {
    const { key } = (await inSecond('GET', '/calendar')).body;
    expect(key).not.toBe((await server.get('/calendar')).body.key);
    await server.patch(`/machines/${MACHINES[0]!.id}`, { name: 'Only the first' });
    const calendar = await server.fetch(`/due.ics?key=${key}`, { headers: { cookie: '' } });
    expect(calendar.status).toBe(200);
    expect(await calendar.text()).not.toContain('Only the first');
    const { body: page } = await inSecond('GET', `/machines/${MACHINES[0]!.id}`);
    const [signed] = page.history;
    const { secret } = (await inSecond('POST', `/jobs/${signed.id}/shares`, { days: 7 })).body;
    const file = await server.fetch(`/shared/${secret}/file`, { headers: { cookie: '' } });
    expect(file.status).toBe(200);
    expect(await file.text()).not.toContain('Only the first');
  });

  it('do not become each other: whose server was lost comes back to an empty one', async () => {
    const { id } = await identityOf(server.db);
    const empty = await openShop(server.db);
    const as = await server.pairedAs('Di', 'foreman', empty);
    const becomes = async (shop: string) => {
      const answer = await server.fetch('/shop/rebuild', {
        method: 'POST',
        headers: { cookie: as, 'content-type': 'application/json' },
        body: JSON.stringify({ id: shop }),
      });
      return answer.status;
    };
    expect(await becomes(id)).toBe(409);
    const lost = randomUUID();
    expect(await becomes(lost)).toBe(200);
    expect((await identityOf(empty)).id).toBe(lost);
  });

  it('are removed one by one: the demo of one leaves the other as it is', async () => {
    const before = (await server.get('/machines')).body;
    const third = await openShop(server.db);
    await loadDemo(third, NOW);
    const as = await server.pairedAs('Cy', 'foreman', third);
    const gone = await server.fetch('/demo', { method: 'DELETE', headers: { cookie: as } });
    expect(gone.status).toBe(200);
    const left = await server.fetch('/machines', { headers: { cookie: as } });
    expect(await left.json()).toEqual([]);
    expect((await server.get('/machines')).body).toEqual(before);
  });
});

describe('what is done for a shop', () => {
  it('is in its units and by its clock, whatever is done for others between', async () => {
    const wait = () => new Promise((resolve) => setImmediate(resolve));
    const told = async () => {
      await wait();
      return [formatInBoth('lash', 330), formatInstant('2026-06-01T12:00:00Z')];
    };
    const units = { length: 'thou', torque: 'lb·ft', temperature: '°F' } as const;
    const [one, other] = await Promise.all([
      inShop({ units, timeZone: 'Etc/GMT-3' }, told),
      inShop({ timeZone: 'Etc/GMT+9' }, told),
    ]);
    expect(one).toEqual(['13 thou, 0.33 mm', '1 Jun 2026, 15:00']);
    expect(other).toEqual(['0.33 mm, 13 thou', '1 Jun 2026, 03:00']);
  });
});
