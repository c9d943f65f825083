import { ignore } from '@longbar/core';
import { errorTold, hearConsole, logOf } from '../log';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';

type Line = { level: number; req: { id: string; asks: string }; res?: { status: number } };

describe('the log', () => {
  const said: string[] = [];
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer({ empty: true, log: (line) => said.push(line) });
  });
  afterAll(() => server.close());
  beforeEach(() => said.splice(0));

  const lines = () => said.map((line): Line => JSON.parse(line));

  it('has one line for each request, with the id that its answer carries', async () => {
    const answer = await server.fetch('/shop');
    const id = answer.headers.get('x-request-id');
    expect(id).toMatch(/^[0-9a-f]{10}$/);
    expect(lines()).toEqual([
      expect.objectContaining({ level: 30, req: { id, asks: 'GET /shop' }, res: { status: 200 } }),
    ]);
  });

  it('keeps the id that a proxy gave, where it is one', async () => {
    const given = async (id: string) =>
      (await server.fetch('/live', { headers: { 'x-request-id': id } })).headers.get(
        'x-request-id',
      );
    expect(await given('6f1c-of-the-proxy')).toBe('6f1c-of-the-proxy');
    expect(await given('with "quotes" in it')).toMatch(/^[0-9a-f]{10}$/);
  });

  it('names no person, no secret and nothing that was looked for', async () => {
    await server.post('/people/pairings', { name: 'Orla', role: 'technician' });
    await server.get('/search?q=Orla');
    await server.get('/shared/secret-of-a-record');
    await server.get('/nothing/Orla');
    expect(lines().map(({ req }) => req.asks)).toEqual([
      'POST /people/pairings',
      'GET /search',
      'GET /shared/:secret',
      'nothing there',
    ]);
    expect(said.join()).not.toMatch(/Orla|secret-of|longbar-|cookie/);
  });

  it('makes no trouble of a request that the server stopped before it was answered', async () => {
    const stopped = await startTestServer({ empty: true, log: (line) => said.push(line) });
    await stopped.db.close();
    const { status, body } = await stopped.get('/machines');
    expect(status).toBe(503);
    expect(body.error.message).toBe('The server is stopping. Nothing of this was lost.');
    expect(lines().filter(({ level }) => level > 40)).toEqual([]);
    await stopped.close();
  });

  it('tells of an error what happened and where, and not what was bound to its statement', () => {
    const error = Object.assign(new Error('database is locked'), {
      code: 'SQLITE_BUSY',
      sql: 'INSERT INTO people VALUES ($1)',
      parameters: ['Orla'],
    });
    logOf('warn', { write: (line) => said.push(line) }).error(error);
    const [line = ''] = said;
    expect(line).toContain('database is locked');
    expect(line).toContain('SQLITE_BUSY');
    expect(line).toContain('requestLog.test');
    expect(line).not.toMatch(/Orla|INSERT/);
    const debug = jest.spyOn(console, 'debug');
    hearConsole(logOf('debug', { write: (more) => said.push(more) }));
    ignore('it is asked again')(error);
    debug.mockRestore();
    expect(said[1]).toContain('Let go: it is asked again.');
    expect(said[1]).not.toMatch(/Orla|INSERT/);
    expect(errorTold('thrown as text')).toEqual({ message: 'thrown as text' });
  });
});
