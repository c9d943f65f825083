import { SeededRandom } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import type { Route } from '../../test-support/routes';
import { routes } from '../../test-support/routes';
import type { TestServer } from '../../test-support/testServer';
import { signedAnew } from '../../test-support/signedAnew';
import { NOW } from '../../test-support/now';
import { times } from '../../test-support/times';
import { spoiled } from '../../test-support/spoiled';
import { startTestServer } from '../../test-support/testServer';
import { MACHINES } from '../demo/yard';

const REQUESTS = times(250, 20_000);

let server: TestServer;
let known: string[];
let bodies: unknown[];
beforeAll(async () => {
  server = await startTestServer();
  const { head, events } = signedAnew('Barge', 5000, NOW);
  await server.post('/jobs', head);
  await server.post(`/jobs/${head.id}/events`, events.slice(0, 40));
  const machine = MACHINES[0]!;
  known = [machine.id, machine.sheet.id, head.id, randomUUID()];
  const shop = (await server.get('/shop')).body;
  bodies = [
    head,
    events.slice(38, 44),
    shop,
    { id: randomUUID(), name: 'Skiff', sheet: machine.sheet.id },
    { id: machine.sheet.id, document: machine.sheet.document },
    { date: '2026-11-23', hours: 9000 },
    { hours: 7000, sure: true },
    {
      text: 'machine;date;hours\nBarge;2026-11-20;12',
      columns: null,
      machine: null,
      leaveOut: false,
      take: false,
    },
    { file: { format: 'longbar.sheets/1', sheets: [{ id: machine.sheet.id, document: {} }] } },
    { retired: true },
  ];
});
afterAll(() => server.close());

const ODD_PARTS = [
  '%00',
  '..%2f..%2fetc',
  '9'.repeat(400),
  'x'.repeat(3000),
  '%F0%9F%94%A7',
  '%E0%A4%A',
  '__proto__',
  "'; DROP TABLE events; --",
  ' ',
];
function deep(levels: number): string {
  return `${'{"a":'.repeat(levels)}1${'}'.repeat(levels)}`;
}

async function fire({ method, path }: Route, chance: SeededRandom): Promise<[number, string]> {
  const part = () => (chance.next() < 0.5 ? chance.one(known) : chance.one(ODD_PARTS));
  const filled = path.replace(/:\w+/g, part);
  const query =
    chance.next() < 0.3
      ? `?${chance.one(['after', 'preview', 'q', 'id', 'paper', 'retired'])}${chance.one(['', '[]', '[a]'])}=${part()}`
      : '';
  const body = method === 'GET' ? undefined : bodyOf(chance);
  const type =
    chance.next() < 0.9
      ? 'application/json'
      : chance.one(['image/png', 'text/plain', 'application/json; charset=x']);
  const url = `${filled}${query}`;
  const ended = AbortSignal.timeout(20_000);
  const answer = await server.fetch(url, {
    method,
    headers: { 'content-type': type },
    body: body ?? null,
    signal: ended,
  });
  // A stream goes on: its head is enough.
  if (answer.headers.get('content-type')?.startsWith('text/event-stream')) {
    await answer.body?.cancel();
    return [answer.status, ''];
  }
  return [answer.status, await answer.text()];
}

function bodyOf(chance: SeededRandom): string {
  const what = chance.next();
  if (what < 0.08) return deep(chance.one([70, 5000]));
  if (what < 0.14) return chance.one(['', '{', 'null', '"x"', '[', '\u0000']);
  const body = chance.one(bodies);
  return JSON.stringify(what < 0.8 ? spoiled(body, chance) : body);
}

describe('whatever is sent to whichever route', () => {
  it('a name that is none is refused before anything is looked up by it', async () => {
    const [machine] = known;
    for (const odd of ['%00', '9'.repeat(400), "'--"]) {
      const paths = [`/machines/${odd}`, `/jobs/${odd}`, `/sheets/${odd}`, `/blobs/${odd}`];
      for (const path of paths) expect((await server.get(path)).status).toBe(400);
      const put = await server.patch(`/machines/${machine}/hours/${odd}`, { hours: 7 });
      expect(put.status).toBe(400);
    }
  });

  it('every route is known', () => {
    expect(routes().length).toBeGreaterThan(30);
  });

  it(`is answered and no fault of the server’s, ${REQUESTS} times over`, async () => {
    // What would end it: the demo that is asked about, and the phone that asks.
    const ends = ['/demo', '/me'];
    const all = routes().filter(({ method, path }) => method !== 'DELETE' || !ends.includes(path));
    const faults: unknown[] = [];
    for (let seed = 1; seed <= REQUESTS; seed++) {
      const chance = new SeededRandom(seed);
      const route = chance.one(all);
      const [status, text] = await fire(route, chance);
      if (status >= 500) faults.push([seed, route, status, text.slice(0, 200)]);
      if (status >= 400 && status < 500) expect(JSON.parse(text).error.message).not.toBe('');
    }
    expect(faults).toEqual([]);
    expect((await server.get('/machines')).status).toBe(200);
  }, 900_000);
});
