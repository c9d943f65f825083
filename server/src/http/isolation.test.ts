import { AnyRow } from '../../test-support/anyRow';
import { onPostgres } from '../../test-support/demoDatabase';
import * as v from 'valibot';
import { createHash, randomUUID } from 'node:crypto';
import { SeededRandom } from '@longbar/core';
import { signedAnew } from '../../test-support/signedAnew';
import { NOW } from '../../test-support/now';
import { times } from '../../test-support/times';
import { spoiled } from '../../test-support/spoiled';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { loadDemo } from '../demo/loadDemo';
import { MACHINES } from '../demo/yard';
import { archiveLines } from '../store/exchange/archive';
import { rebuild } from '../store/derived/readTables';
import { keepBlob, sha256 } from '../store/journal/blobs';
import type { Database } from '../store/sql/database';
import { beginPairing } from '../store/yard/pairing';
import { openShop } from '../store/yard/shops';
import type { EndpointName } from './rules';
import { ENDPOINT_NAMES } from './rules';

const REQUESTS = times(800, 10_000);

/** It stands in all that the first shop says, and the second never heard of it. */
const SECRET = 'Zzyq';
const DAY = NOW.toISOString().slice(0, 10);

let server: TestServer;
/** The shop that asks, with the same demo under the same ids. */
let other: Database;
/** The phone that asks is its foreman's. */
let cookie: string;
/** What there is in the first shop alone, by what an address names it. */
const own: Record<string, string> = {};
let ownJob: ReturnType<typeof signedAnew>;

beforeAll(async () => {
  server = await startTestServer();
  const { db } = server;
  other = await openShop(db);
  await loadDemo(other, NOW);
  cookie = await server.pairedAs('Bo', 'foreman', other);
  ownJob = signedAnew('Barge', 5000, NOW);
  const { head, events } = ownJob;
  const photo = Buffer.from(`${SECRET} photo`);
  await keepBlob(db, sha256(photo), 'image/jpeg', photo, NOW.toISOString());
  const [machine, sheet] = [randomUUID(), randomUUID()];
  const document = MACHINES[0]!.sheet.document;
  await server.post('/sheets', { id: sheet, document });
  await server.post('/machines', { id: machine, name: 'Skiff', sheet });
  await server.post('/jobs', head);
  await server.post(`/jobs/${head.id}/events`, events);
  const { secret, id: share } = (await server.post(`/jobs/${head.id}/shares`, { days: 7 })).body;
  const address = `https://${SECRET.toLowerCase()}.example/`;
  const fleet = { address, key: SECRET, everyHours: 24 };
  const { fleets } = (await server.post('/fleets', fleet)).body;
  const { hooks } = (await server.post('/hooks', { address })).body;
  const { code } = await beginPairing(db, { name: 'Uma', role: 'foreman' }, NOW);
  const people = (await server.get('/people')).body;
  Object.assign(own, {
    ...{ machine, sheet, job: head.id, event: events[0]!.id, share, secret, code },
    ...{ sha256: sha256(photo), fleet: fleets[0].id, hook: hooks[0].id },
    ...{ person: people[0].id, phone: people.flatMap((each: Person) => each.phones)[0].id },
    ...{
      shop: (await server.get('/shop')).body.id,
      calendar: (await server.get('/calendar')).body.key,
    },
  });
  await nameBySecret(db);
}, 120_000);
afterAll(() => server.close());

type Person = { phones: { id: string }[] };

/** Puts the secret into every text of the first shop, and works out what is read of it anew. */
async function nameBySecret(db: Database): Promise<void> {
  await db.write(async (transaction) => {
    const run = (sql: string) => db.whole.run(sql, [], transaction);
    for (const table of ['shops', 'machines', 'people']) {
      await run(`UPDATE ${table} SET name = '${SECRET} ' || name WHERE shop = 1`);
    }
    for (const row of await db.tables.sheets.findAll({ transaction })) {
      const { id, revision, document } = row.get();
      const change = { document: { ...document, name: SECRET } };
      await db.tables.sheets.update(change, { where: { id, revision }, transaction });
    }
    await run(`UPDATE audit SET about = '${SECRET}' WHERE shop = 1`);
    await run(`UPDATE practice SET who = '${SECRET}' WHERE shop = 1`);
    await run(`UPDATE jobs SET by = '${SECRET}' WHERE shop = 1`);
    await run(`UPDATE machines SET about = '{"owner":"${SECRET}"}' WHERE shop = 1`);
  });
  await rebuild(db, DAY);
}

/** The tables that carry a shop. */
const ON_SQLITE = `SELECT name FROM sqlite_master WHERE type = 'table' AND sql LIKE '%"shop"%'`;
const ON_POSTGRES =
  "SELECT table_name AS name FROM information_schema.columns WHERE column_name = 'shop'";

/** All that the first shop holds, a hash for each table; what is read of a machine goes by the day. */
async function keptOfFirst(): Promise<Map<string, string>> {
  const { db } = server;
  const kept = new Map<string, string>();
  const tables = await db.whole.rows(
    v.object({ name: v.string() }),
    onPostgres ? ON_POSTGRES : ON_SQLITE,
  );
  expect(tables.length).toBeGreaterThan(25);
  for (const { name } of tables) {
    if (name === 'machine_reads') continue;
    const rows = await db.whole.rows(AnyRow, `SELECT * FROM ${name} WHERE shop = 1`);
    const texts = rows.map((row) => JSON.stringify(row)).sort();
    kept.set(name, createHash('sha256').update(texts.join('\n')).digest('hex'));
  }
  return kept;
}

type Asked = { status: number; text: string };

async function ask(method: string, path: string, body?: unknown, as = cookie): Promise<Asked> {
  const answer = await fetch(`${server.url}${path}`, {
    method,
    headers: {
      cookie: as,
      'content-type': path.startsWith('/archive') ? 'application/x-ndjson' : 'application/json',
    },
    body: method === 'GET' || body === undefined ? null : JSON.stringify(body),
  });
  if (answer.headers.get('content-type')?.startsWith('text/event-stream')) {
    const first = await answer.body?.getReader().read();
    return { status: answer.status, text: new TextDecoder().decode(first?.value) };
  }
  return { status: answer.status, text: await answer.text() };
}

/** What anybody may see, and what would end the shop or the phone that asks. */
const LEFT_OUT = new Set<EndpointName>(['DELETE /demo', 'DELETE /me', 'GET /openapi.json']);
/** It is asked less often: it takes long. */
const LONG = new Set<EndpointName>([
  ...(['POST /weeks/offer', 'GET /archive', 'GET /readings.csv', 'GET /weeks/plan.pdf'] as const),
  ...(['GET /jobs/:id/record.pdf', 'GET /jobs/:id/record-file', 'GET /weeks'] as const),
]);
const ASKED = ENDPOINT_NAMES.filter((name) => !LEFT_OUT.has(name));

/** A path of the endpoint with ids of the first shop, of both, or of nobody in it. */
function pathOf(name: EndpointName, chance: SeededRandom): string {
  const path = name.split(' ')[1] ?? '';
  const ids = [...Object.values(own), MACHINES[0]!.id, MACHINES[0]!.sheet.id, randomUUID()];
  const filled = path.replace(/:(\w+)/g, () => chance.one(ids));
  const queries = [`q=${SECRET.slice(0, 3)}`, `id=${own.sheet}`, 'after=0', `key=${own.calendar}`];
  // What the address itself says is no secret.
  return chance.next() < 0.4 ? `${filled}?${chance.one(queries)}` : filled;
}

function bodyOf(chance: SeededRandom): unknown {
  const { head, events } = ownJob;
  const body = chance.one<unknown>([
    ...[head, events.slice(0, 3), [{ ...events[0], id: randomUUID(), n: 7 }]],
    { id: own.machine, name: 'Skiff', sheet: chance.one([own.sheet, MACHINES[0]!.sheet.id]) },
    { id: own.sheet, document: MACHINES[0]!.sheet.document },
    { sheet: own.sheet, sheetRevision: 1 },
    { machine: own.machine, week: '2026-11-23', who: null },
    { moves: [{ machine: own.machine, week: '2026-11-23' }] },
    { do: 'machine', machine: own.machine },
    ...[{ person: own.person }, { role: 'reader' }, { retired: true }, { id: own.shop }],
    { address: 'https://other.example/', key: 'k', everyHours: 24 },
    { id: own.event, who: 'Bo', exercise: 'gauge', level: 1, score: 1, at: NOW.toISOString() },
  ]);
  return chance.next() < 0.3 ? spoiled(body, chance) : body;
}

describe('a shop beside another on one server', () => {
  it('takes the archive of another without touching it', async () => {
    let archive = '';
    for await (const line of archiveLines(server.db)) archive += line;
    const before = await keptOfFirst();
    const empty = await openShop(server.db);
    const as = await server.pairedAs('Di', 'foreman', empty);
    const answer = await fetch(`${server.url}/archive`, {
      method: 'POST',
      headers: { cookie: as, 'content-type': 'application/x-ndjson' },
      body: archive,
    });
    expect(answer.status).toBe(200);
    const copied = JSON.parse((await ask('GET', '/machines', undefined, as)).text);
    expect(copied).toHaveLength(MACHINES.length + 1);
    let again = '';
    for await (const line of archiveLines(empty)) again += line;
    expect(again).toBe(archive);
    expect(await keptOfFirst()).toEqual(before);
  }, 60_000);

  it(`reads, guesses and changes nothing of it, ${REQUESTS} times over`, async () => {
    const before = await keptOfFirst();
    const leaks: unknown[] = [];
    for (let seed = 1; seed <= REQUESTS; seed++) {
      const chance = new SeededRandom(seed);
      const name = chance.one(ASKED);
      if (LONG.has(name) && chance.next() < 0.9) continue;
      const [method = ''] = name.split(' ');
      const path = pathOf(name, chance);
      const { status, text } = await ask(method, path, bodyOf(chance));
      const told = text.includes(SECRET) || text.includes(SECRET.toLowerCase());
      // A link to a record and a calendar's address are for whoever has them.
      const isForAnybody = name.startsWith('GET /shared') || path.includes(`key=${own.calendar}`);
      if (status >= 500 || (told && !isForAnybody)) leaks.push([seed, name, path, status, text]);
    }
    expect(leaks.slice(0, 3)).toEqual([]);
    expect(await keptOfFirst()).toEqual(before);
  }, 900_000);

  it('does not tell what is there and not its own from what is nowhere', async () => {
    const third = await openShop(server.db, 'Third');
    const as = await server.pairedAs('Cy', 'foreman', third);
    const here = ENDPOINT_NAMES.filter((name) => name.includes(':') && !name.includes('shared'));
    for (const name of here) {
      const [method = '', path = ''] = name.split(' ');
      const filled = (key: string, id: string) => path.replace(`:${key}`, id).replace(/:\w+/g, '1');
      const [, key = ''] = /:(\w+)/.exec(path) ?? [];
      const known = own[key] ?? own[path.split('/')[1]?.replace(/(ie)?s$/, '') ?? ''] ?? own.phone!;
      const nowhere = key === 'sha256' ? 'a'.repeat(64) : randomUUID();
      for (const body of [{}, bodyOf(new SeededRandom(1)), ownJob.events.slice(0, 3)]) {
        const about = (id: string) => JSON.parse(JSON.stringify(body).replaceAll(known, id));
        const [there, none] = await Promise.all(
          [known, nowhere].map((id) => ask(method, filled(key, id), about(id), as)),
        );
        const said = there!.text.replaceAll(known, nowhere);
        expect([name, there!.status, said]).toEqual([name, none!.status, none!.text]);
      }
    }
  }, 120_000);
});
