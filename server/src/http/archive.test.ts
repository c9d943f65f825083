import { readdirSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';

let full: TestServer;
let empty: TestServer;
beforeAll(async () => {
  [full, empty] = await Promise.all([startTestServer(), startTestServer({ empty: true })]);
});
afterAll(async () => {
  await full.close();
  await empty.close();
});

// Made before anybody is connected: a connection that lies idle meanwhile is closed.
const newlines = gzipSync(Buffer.alloc(200_000_000, '\n'));
const line = gzipSync(Buffer.alloc(80_000_000, 'x'));

const post = async (body: string | Buffer, headers: Record<string, string> = {}, query = '') => {
  const type = { 'content-type': 'application/x-ndjson', ...headers };
  const init = {
    method: 'POST',
    headers: type,
    body: typeof body === 'string' ? body : new Uint8Array(body),
  };
  const answer = await empty.fetch(`/archive${query}`, init);
  return { status: answer.status, body: await answer.json() };
};

describe('an archive over HTTP', () => {
  it('comes in as it went out, packed or not, and is looked at before', async () => {
    const text = await (await full.fetch('/archive')).text();
    const looked = await post(text, {}, '?preview=1');
    expect(looked).toMatchObject({ status: 200, body: { machine: 8, end: 1 } });
    const packed = gzipSync(text);
    const taken = await post(packed, { 'content-encoding': 'gzip' });
    expect(taken).toEqual(looked);
    expect(await (await empty.fetch('/archive')).text()).toBe(text);
    expect((await post(text)).status).toBe(409);
  });

  it('that is a trap is refused at once and leaves nothing lying about', async () => {
    expect(newlines.length).toBeLessThan(250_000);
    const trap = await post(newlines, { 'content-encoding': 'gzip' });
    expect(trap).toMatchObject({ status: 400, body: { error: { message: /not JSON/ } } });
    expect(await post(line, { 'content-encoding': 'gzip' })).toMatchObject({
      status: 400,
      body: { error: { message: /too long/ } },
    });
    expect((await post('x', { 'content-encoding': 'br' })).status).toBe(415);
    expect((await post('no gzip', { 'content-encoding': 'gzip' })).status).toBe(400);
    expect((await post('')).status).toBe(400);
    expect(readdirSync(empty.folder).filter((name) => name.startsWith('longbar-import-'))).toEqual(
      [],
    );
  });
});
