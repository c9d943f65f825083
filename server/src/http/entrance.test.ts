import type { Server } from 'node:http';
import { createServer } from 'node:http';
import { Entrance } from './entrance';

describe('a server that is starting', () => {
  const entrance = new Entrance();
  let server: Server;
  let url = '';
  beforeAll(async () => {
    server = createServer(entrance.answer);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = server.address();
    url = `http://127.0.0.1:${typeof address === 'object' ? address?.port : ''}`;
  });
  afterAll(() => new Promise((resolve) => server.close(resolve)));

  it('says at once that it lives, and that all else comes in a moment', async () => {
    const live = await fetch(`${url}/api/live`);
    expect([live.status, await live.json()]).toEqual([200, { ok: true }]);
    const health = await fetch(`${url}/api/health`);
    expect([health.status, health.headers.get('retry-after')]).toEqual([503, '2']);
    expect((await health.json()).error.message).toContain('is starting');
    const sent = await fetch(`${url}/api/jobs`, { method: 'POST', body: 'x'.repeat(100_000) });
    expect(sent.status).toBe(503);
  });

  it('shows a person a page that is loaded again by itself', async () => {
    const page = await fetch(`${url}/jobs/one`);
    expect([page.status, page.headers.get('content-type')]).toEqual([
      503,
      'text/html; charset=utf-8',
    ]);
    expect(await page.text()).toContain('http-equiv="refresh"');
  });

  it('lets the application answer once it is there', async () => {
    entrance.open((_request, response) => response.end('the application'));
    expect(await (await fetch(`${url}/api/health`)).text()).toBe('the application');
  });

  it('stops once who is inside is answered, and waits for no stream', async () => {
    let answer = () => {};
    const inside: string[] = [];
    entrance.open((request, response) => {
      inside.push(request.url ?? '');
      if (request.url === '/stream') {
        response.setHeader('Content-Type', 'text/event-stream');
        response.write(': begun\n\n');
      } else answer = () => response.end('answered');
    });
    const stream = await fetch(`${url}/stream`);
    const asked = fetch(`${url}/slow`);
    while (inside.length < 2) await new Promise((resolve) => setTimeout(resolve, 5));
    let stopped = false;
    const stopping = entrance.close().then(() => (stopped = true));
    await expect(stream.text()).rejects.toThrow();
    expect((await fetch(`${url}/late`)).status).toBe(503);
    expect(stopped).toBe(false);
    answer();
    expect(await (await asked).text()).toBe('answered');
    await stopping;
    expect(inside).toEqual(['/stream', '/slow']);
  });

  it('waits for nobody for ever', async () => {
    entrance.open(() => {});
    const asked = fetch(`${url}/never`).catch(() => 'cut off');
    await new Promise((resolve) => setTimeout(resolve, 50));
    await entrance.close(30);
    server.closeAllConnections();
    expect(await asked).toBe('cut off');
  });
});
