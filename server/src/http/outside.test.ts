import type { Beat } from '@longbar/core';
import type { RequestHandler } from 'express';
import express from 'express';
import { randomUUID } from 'node:crypto';
import { createServer, request as ask } from 'node:http';
import type { AddressInfo } from 'node:net';
import { logOf } from '../log';
import { requestLog } from './requestLog';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { MACHINES } from '../demo/yard';
import { hostsFrom } from '../settings';
import { BelievedBeats } from './beats';
import { answerErrors } from './errors';
import { LIMITS, limits } from './outside';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

/** One request with headers that no browser lets a page choose. */
function send(
  method: string,
  path: string,
  headers: Record<string, string>,
  body = '{}',
): Promise<{ status: number; text: string }> {
  const { hostname, port } = new URL(server.url);
  return new Promise((resolve, reject) => {
    const { cookie } = server;
    const options = {
      hostname,
      port,
      method,
      path: `/api${path}`,
      headers: { cookie, ...headers },
    };
    const sent = ask(options, (answer) => {
      let text = '';
      answer.on('data', (part) => (text += String(part)));
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, text }));
    });
    sent.on('error', reject);
    sent.end(method === 'GET' || method === 'DELETE' ? undefined : body);
  });
}
const JSON_TYPE = { 'content-type': 'application/json' };
const here = () => new URL(server.url).host;

describe('the house is open to its own', () => {
  it.each([
    ['127.0.0.1:8640', 200],
    ['[::1]:8640', 200],
    ['localhost', 200],
    ['192.168.4.20', 200],
    ['rebound.example', 403],
    ['localhost.rebound.example', 403],
  ])('served as %s: %i', async (host, status) => {
    expect((await send('GET', '/health', { host })).status).toBe(status);
  });

  it('knows the names it was given', () => {
    expect(hostsFrom('works.lan, bench.lan')).toEqual(['works.lan', 'bench.lan']);
    expect(hostsFrom(undefined)).toEqual([]);
  });

  it('lets no page of another site change anything, whatever it says of itself', async () => {
    const post = (headers: Record<string, string>) =>
      send('POST', '/machines', { ...JSON_TYPE, ...headers });
    expect((await post({})).status).toBe(400);
    expect((await post({ origin: `http://${here()}` })).status).toBe(400);
    expect((await post({ 'sec-fetch-site': 'same-origin' })).status).toBe(400);
    for (const headers of [
      { origin: 'http://elsewhere.example' },
      { origin: 'null' },
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site', origin: `http://${here()}` },
    ]) {
      expect((await post(headers)).status).toBe(403);
    }
    const elsewhere = { origin: 'http://elsewhere.example' };
    expect((await send('GET', '/health', elsewhere)).status).toBe(200);
    expect((await send('DELETE', '/demo', elsewhere)).status).toBe(403);
  });

  it('takes what a form of another site can send nowhere', async () => {
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data']) {
      for (const path of ['/machines', '/archive', '/sheets', '/hours']) {
        expect((await send('POST', path, { 'content-type': type })).status).toBe(403);
      }
    }
    expect((await send('POST', '/machines', {})).status).toBe(403);
    // Loading the demo sends nothing, and says so.
    expect((await send('POST', '/demo', { 'content-length': '0' }, '')).status).toBe(409);
    const json = await send('POST', '/archive', JSON_TYPE);
    expect(json.status).toBe(403);
  });

  it('lets one address ask for so many imports a minute', async () => {
    const statuses: number[] = [];
    for (let i = 0; i <= LIMITS.imports + 1; i++) {
      statuses.push((await send('POST', '/hours', JSON_TYPE)).status);
    }
    expect(statuses.slice(0, 20)).toEqual(Array(20).fill(400));
    expect(statuses.at(-1)).toBe(429);
    expect((await server.get('/machines')).status).toBe(200);
  });
});

/** A server that answers all that is let through; says where it listens. */
function answering(...handlers: RequestHandler[]): () => string {
  const app = express();
  app.use(requestLog(logOf('silent')), ...handlers);
  app.use((_request, response) => void response.json({}));
  const asked = createServer(app);
  beforeAll(async () => {
    app.use(answerErrors(server.db));
    await new Promise<void>((resolve) => asked.listen(0, '127.0.0.1', resolve));
  });
  afterAll(() => new Promise((resolve) => asked.close(resolve)));
  return () => `http://127.0.0.1:${(asked.address() as AddressInfo).port}`;
}

describe('one address', () => {
  const few = { imports: 1, pairings: 1, beats: 2, streams: 3, writes: 6 };
  const asking = answering(limits(few));

  it('is held back from each kind of thing by itself, and from writes of all kinds together', async () => {
    const ask = async (method: string, path: string) =>
      (await fetch(`${asking()}${path}`, { method })).status;
    const times = async (method: string, path: string, count: number) => {
      const statuses: number[] = [];
      for (let i = 0; i < count; i++) statuses.push(await ask(method, path));
      return statuses;
    };
    expect(await times('GET', '/jobs/a/stream', 4)).toEqual([200, 200, 200, 429]);
    expect(await times('POST', '/jobs/a/beats', 3)).toEqual([200, 200, 429]);
    expect(await times('POST', '/archive', 2)).toEqual([200, 429]);
    // What is only read is not counted, and another kind of write still goes, up to its own end.
    expect(await times('GET', '/machines', 9)).toEqual(Array(9).fill(200));
    expect(await times('PUT', '/shop', 4)).toEqual([200, 200, 200, 429]);
    const told = await fetch(`${asking()}/shop`, { method: 'PUT' });
    expect(JSON.stringify(await told.json())).toContain('waits a minute');
    expect(told.headers.get('retry-after')).toBe('60');
  });
});

describe('a path in capitals', () => {
  const few = { imports: 9, pairings: 1, beats: 9, streams: 9, writes: 9 };
  const asking = answering(limits(few));

  it('counts as what its route takes it for', async () => {
    const statuses: number[] = [];
    for (const path of ['/pair', '/PAIR', '/Pair/', '/me']) {
      statuses.push((await fetch(`${asking()}${path}`, { method: 'POST' })).status);
    }
    expect(statuses).toEqual([200, 429, 429, 200]);
  });
});

describe('one phone, and one person', () => {
  const few = { imports: 9, pairings: 9, beats: 9, streams: 9, writes: 3 };
  const asking = answering(limits(few, (request) => request.get('x-phone') ?? null));

  it('is held back by itself, whatever others at the same address do', async () => {
    const ask = async (phone?: string) => {
      const headers = phone === undefined ? {} : { 'x-phone': phone };
      const url = `${asking()}/shop`;
      return (await fetch(url, { method: 'PUT', headers })).status;
    };
    const statuses: number[] = [];
    for (const phone of ['a', 'a', 'a', 'a', 'b', 'a', 'b']) statuses.push(await ask(phone));
    expect(statuses).toEqual([200, 200, 200, 429, 200, 429, 200]);
    // Who is nobody yet is held to the address alone.
    for (let i = 0; i < 5; i++) expect(await ask()).toBe(200);
  });
});

describe('a beat', () => {
  const job = randomUUID();
  const beatOf = (device: string, beat: number) => ({ device, beat }) as Beat;

  it('is believed from its own phone only, in order, and without a jump', () => {
    const beats = new BelievedBeats();
    const device = randomUUID();
    const hear = (beat: number, phone: string, at: number) =>
      beats.isBelieved(job, beatOf(device, beat), phone, at);
    expect(hear(1, 'a', 0)).toBe(true);
    expect(hear(2, 'a', 300)).toBe(true);
    expect(hear(2, 'a', 400)).toBe(false);
    expect(hear(1, 'a', 500)).toBe(false);
    expect(hear(3, 'b', 600)).toBe(false);
    expect(hear(9000, 'a', 700)).toBe(false);
    expect(hear(9000, 'b', 700)).toBe(false);
    expect(hear(12, 'a', 900)).toBe(true);
    // Silence makes nobody else of it.
    expect(hear(13, 'b', 7000)).toBe(false);
    expect(hear(9000, 'a', 7300)).toBe(true);
  });

  it('of one device says nothing of another, nor of another job', () => {
    const beats = new BelievedBeats();
    const [one, other] = [randomUUID(), randomUUID()];
    expect(beats.isBelieved(job, beatOf(one, 5), 'a', 0)).toBe(true);
    expect(beats.isBelieved(job, beatOf(other, 1), 'b', 1)).toBe(true);
    expect(beats.isBelieved(randomUUID(), beatOf(one, 1), 'b', 2)).toBe(true);
  });
});

describe('what people wrote', () => {
  it('begins no formula in a table and no line of its own in a calendar', async () => {
    const { id } = MACHINES[1]!;
    const name = '=1+1\r\nEND:VEVENT\rBEGIN:VALARM';
    expect((await server.patch(`/machines/${id}`, { name })).status).toBe(200);
    const csv: string = (await server.get('/readings.csv')).body;
    expect(csv).not.toMatch(/(^|,|\n)"?[=+@\t]/);
    const calendar: string = (await server.get('/due.ics')).body;
    expect(calendar.match(/^BEGIN:VALARM/gm)).toBeNull();
    const events = calendar.match(/^BEGIN:VEVENT/gm)?.length;
    expect(calendar.match(/^END:VEVENT/gm)?.length).toBe(events);
    expect(calendar.split('\r\n').some((line) => /[\r\n]/.test(line))).toBe(false);
  });
});

describe('a proxy in front', () => {
  const pairing = async (proxies: string[]) => {
    const behind = await startTestServer({ empty: true, proxies });
    try {
      const { body } = await behind.post('/people/pairings', { name: 'Orla', role: 'reader' });
      const answer = await fetch(`${behind.url}/pair`, {
        method: 'POST',
        headers: { ...JSON_TYPE, 'x-forwarded-proto': 'https' },
        body: JSON.stringify({ code: body.code }),
      });
      expect(answer.status).toBe(201);
      return answer.headers.get('set-cookie');
    } finally {
      await behind.close();
    }
  };

  it('is believed where it was named: a phone that came by HTTPS keeps its token for that', async () => {
    expect(await pairing(['loopback'])).toContain('; Secure');
    expect(await pairing(['10.0.0.1'])).not.toContain('Secure');
    expect(await pairing([])).not.toContain('Secure');
  });
});
