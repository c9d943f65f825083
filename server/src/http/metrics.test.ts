import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';

const KEY = 'a key of its own';

async function figuresOf(server: TestServer): Promise<Map<string, number>> {
  const answer = await server.fetch('/metrics', { headers: { authorization: `Bearer ${KEY}` } });
  expect(answer.status).toBe(200);
  expect(answer.headers.get('content-type')).toContain('text/plain; version=0.0.4');
  const lines = (await answer.text()).split('\n').filter((line) => /^\w/.test(line));
  return new Map(
    lines.map((line) => {
      const [, name = '', figure] = /^(.*) (\S+)$/.exec(line) ?? [];
      return [name, Number(figure)];
    }),
  );
}

describe('the figures of how the server does', () => {
  let server: TestServer;
  beforeAll(async () => (server = await startTestServer({ metricsKey: KEY })));
  afterAll(() => server.close());

  it('are sent to who holds the key, and to no phone', async () => {
    for (const authorization of [undefined, 'Bearer another', KEY.slice(1)]) {
      const headers = authorization === undefined ? {} : { authorization };
      expect((await server.fetch('/metrics', { headers })).status).toBe(401);
    }
    expect((await figuresOf(server)).size).toBeGreaterThan(30);
  });

  it('count requests by endpoint, and tell nothing of what was asked for', async () => {
    await server.get('/search?q=Orla');
    await server.get('/shared/secret-of-a-record');
    await server.get('/nothing/Orla');
    const figures = await figuresOf(server);
    const count = (endpoint: string, status: number) =>
      figures.get(
        `longbar_request_duration_seconds_count{endpoint="${endpoint}",status="${status}"}`,
      );
    expect(count('GET /search', 200)).toBe(1);
    expect(count('GET /shared/:secret', 404)).toBe(1);
    expect(count('nothing there', 404)).toBe(1);
    expect([...figures.keys()].join()).not.toMatch(/Orla|secret-of/);
  });

  it('tell of writes, of phones that follow a job, and of damage', async () => {
    const before = await figuresOf(server);
    const [machine] = (await server.get('/machines')).body;
    const { hours } = (await server.get(`/machines/${machine.id}`)).body.readings[0];
    const reading = { date: '2026-11-22', hours: hours + 1, sure: true };
    const taken = await server.post(`/machines/${machine.id}/hours`, reading);
    expect(taken.status).toBeLessThan(300);
    const [job] = (await server.get(`/machines/${machine.id}`)).body.history;
    const looking = new AbortController();
    const stream = await server.fetch(`/jobs/${job.id}/stream`, { signal: looking.signal });
    const during = await figuresOf(server);
    expect(during.get('longbar_writes_total')).toBeGreaterThan(
      before.get('longbar_writes_total') ?? NaN,
    );
    expect(during.get('longbar_streams_open')).toBe(1);
    expect(during.get('longbar_disk_free_bytes')).toBeGreaterThan(0);
    expect(during.get('longbar_database_damaged')).toBe(0);
    looking.abort();
    await stream.text().catch(() => undefined);
    // The server hears that nobody looks any more a moment later.
    const open = async () => (await figuresOf(server)).get('longbar_streams_open');
    while ((await open()) !== 0) await new Promise((resolve) => setTimeout(resolve, 20));

    server.db.foundDamaged('a page of it is torn');
    expect((await figuresOf(server)).get('longbar_database_damaged')).toBe(1);
  });
});

it('are not there where nobody set a key', async () => {
  const server = await startTestServer({ empty: true });
  try {
    expect((await server.get('/metrics')).status).toBe(404);
  } finally {
    await server.close();
  }
});
