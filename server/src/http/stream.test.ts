import { createHash, randomUUID } from 'node:crypto';
import type { TestServer } from '../../test-support/testServer';
import { hear as hearOn } from '../../test-support/hear';
import { startTestServer } from '../../test-support/testServer';
import { MACHINES } from '../demo/yard';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

async function someJob(): Promise<string> {
  const id = randomUUID();
  const head = { id, machine: MACHINES[1]!.id, method: 'each', sheetRevision: 1, by: 'Ina' };
  await server.post('/jobs', { ...head, at: '2026-11-23T08:00:00.000Z' });
  return id;
}

const event = (job: string, n: number) => ({
  id: randomUUID(),
  job,
  n,
  at: '2026-11-23T08:10:00.000Z',
  by: 'Ina',
  type: 'hours.read',
  hours: 2540,
});

const hear = (
  path: string,
  kind: 'events' | 'beat',
  count: number,
  meanwhile: () => Promise<unknown>,
) => hearOn(server, path, { kind, count }, meanwhile);

describe('the stream of a job', () => {
  it('gives what there is, and what is kept from then on', async () => {
    const job = await someJob();
    const [first, second] = [event(job, 1), event(job, 2)];
    await server.post(`/jobs/${job}/events`, [first]);
    const pages = await hear(`/jobs/${job}/stream`, 'events', 2, () =>
      server.post(`/jobs/${job}/events`, [second]),
    );
    expect(pages.map(({ events }) => events)).toEqual([[first], [second]]);
    const later = await hear(`/jobs/${job}/stream?after=${pages[0].serial}`, 'events', 1, () =>
      Promise.resolve(),
    );
    expect(later[0].events).toEqual([second]);
  });

  it('comes in pages of a bounded size, and all of it', async () => {
    const job = await someJob();
    const long = Array.from({ length: 400 }, (_, i) => ({
      ...event(job, i + 1),
      type: 'ready.done',
      item: `${i} ${'x'.repeat(1900)}`,
      later: 'y'.repeat(2000),
    }));
    for (let from = 0; from < long.length; from += 100) {
      const answer = await server.post(`/jobs/${job}/events`, long.slice(from, from + 100));
      expect(answer.status).toBe(200);
    }
    const seen: unknown[] = [];
    let pages = 0;
    for (let serial = 0, more = true; more; pages++) {
      const { body } = await server.get(`/jobs/${job}/events?after=${serial}`);
      expect(JSON.stringify(body).length).toBeLessThan(1_100_000);
      seen.push(...body.events);
      ({ serial, more } = body);
    }
    expect(pages).toBeGreaterThan(1);
    expect(seen).toEqual(long);
    const streamed = await hear(`/jobs/${job}/stream`, 'events', 400, () => Promise.resolve());
    expect(streamed.flatMap(({ events }) => events)).toEqual(long);
  });

  it('passes beats on and refuses what is none', async () => {
    const job = await someJob();
    const beat = {
      device: randomUUID(),
      role: 'helper',
      beat: 1,
      heard: 0,
      turn: null,
      clearFor: null,
      said: null,
    };
    // One that comes again is not believed: each has the next count.
    let count = 0;
    const heard = await hear(`/jobs/${job}/stream`, 'beat', 1, () =>
      server.post(`/jobs/${job}/beats`, { ...beat, beat: ++count }).catch(() => undefined),
    );
    expect(heard).toEqual([{ ...beat, beat: expect.any(Number) }]);
    const answer = await server.post(`/jobs/${job}/beats`, { ...beat, role: 'boss' });
    expect(answer).toMatchObject({ status: 400 });
    expect((await server.get(`/jobs/${randomUUID()}/stream`)).status).toBe(404);
  });
});

describe('photos and clips', () => {
  const bytes = Buffer.from('a photo');
  const hash = createHash('sha256').update(bytes).digest('hex');
  const put = (path: string, type: string, body: Buffer) =>
    server.fetch(`/blobs/${path}`, {
      method: 'PUT',
      headers: { 'content-type': type },
      body: new Uint8Array(body),
    });

  it('are kept once under their hash and come back as they were', async () => {
    expect((await put(hash, 'image/jpeg', bytes)).status).toBe(201);
    expect((await put(hash, 'image/jpeg', bytes)).status).toBe(200);
    const answer = await server.fetch(`/blobs/${hash}`);
    expect(answer.headers.get('content-type')).toBe('image/jpeg');
    expect(answer.headers.get('content-security-policy')).toContain('sandbox');
    expect(Buffer.from(await answer.arrayBuffer())).toEqual(bytes);
  });

  it('are refused when they were changed, or are something else', async () => {
    expect((await put(hash.replace(/^./, 'x'), 'image/jpeg', bytes)).status).toBe(400);
    expect((await put(hash, 'image/jpeg', Buffer.from('other'))).status).toBe(400);
    expect((await put(hash, 'image/svg+xml', bytes)).status).toBe(400);
    expect((await put(hash, 'text/html', bytes)).status).toBe(400);
    expect((await server.fetch(`/blobs/${'0'.repeat(64)}`)).status).toBe(404);
  });
});

describe('the shop', () => {
  const put = async (body: unknown) => {
    const answer = await server.fetch('/shop', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    return { status: answer.status, body: await answer.json() };
  };

  it('keeps other rules, and refuses blades that are none', async () => {
    const { body: before } = await server.get('/shop');
    const changed = { ...before, policy: 'reset-all', soon: { hours: 80, days: 14 } };
    expect(await put(changed)).toEqual({ status: 200, body: changed });
    expect((await server.get('/shop')).body).toEqual(changed);
    const wrong = await put({ ...before, bladeSets: [{ name: 'x', unit: 'mm', blades: [0.3] }] });
    expect(wrong.status).toBe(400);
    expect((await server.get('/shop')).body).toEqual(changed);
  });
});
