import type { AddressInfo } from 'node:net';
import { createServer } from 'node:http';
import type { Role } from '@longbar/core';
import { logOf } from '../src/log';
import { FleetKeeper } from '../src/fleet/fleetKeeper';
import { HookKeeper } from '../src/hooks/hookKeeper';
import { Keepers } from '../src/keepers';
import { createApp } from '../src/http/createApp';
import type { Database } from '../src/store/sql/database';
import { doorOf } from '../src/store/yard/door';
import { beginPairing, pair } from '../src/store/yard/pairing';
import { openDatabase } from '../src/store/sql/database';
import type { TestDatabase } from './demoDatabase';
import { demoDatabase, emptyDatabase } from './demoDatabase';
import { DescribedAnswers } from './describedAnswers';
import { NOW } from './now';

// What is in an answer is what the tests are about.
// oxlint-disable-next-line typescript/no-explicit-any
export type Answer = { status: number; body: any };

export type TestServer = {
  db: Database;
  /** The address of its database, where that is in no file. */
  database: string | undefined;
  folder: string;
  /** What tells other programs. */
  hooks: HookKeeper;
  /** Where its API is. */
  url: string;
  /** Asks as the phone of a foreman does; the path begins at the API. */
  fetch(path: string, init?: RequestInit): Promise<Response>;
  /** How often it heard that drift is to be worked out. */
  driftsDue(): number;
  /** The cookie of its foreman’s phone. */
  cookie: string;
  /** The cookie of a phone that is paired with somebody new, of the first shop unless another is said. */
  pairedAs(name: string, role: Role, shop?: Database): Promise<string>;
  get(path: string): Promise<Answer>;
  post(path: string, body: unknown): Promise<Answer>;
  put(path: string, body: unknown): Promise<Answer>;
  patch(path: string, body: unknown): Promise<Answer>;
  delete(path: string): Promise<Answer>;
  close(): Promise<void>;
};

type Options = {
  /** On the database of another, as a second process is: that one is closed after this. */
  beside?: TestServer;
  /** Without the demo yard. */
  empty?: boolean;
  /** Hears every line of its log. */
  log?: (line: string) => void;
  /** The key of who may read its figures. */
  metricsKey?: string;
  /** The proxies whose word is taken. */
  proxies?: string[];
};

/** A server with the demo yard, or none, in a folder of its own, answering on loopback. */
export async function startTestServer(wanted: Options = {}): Promise<TestServer> {
  const { empty = false, log, metricsKey: key, proxies, beside } = wanted;
  const made = beside ? openedBeside(beside) : empty ? emptyDatabase() : demoDatabase();
  const { db, folder, end, url: database } = await made;
  const logger = log ? logOf('info', { write: log }) : logOf('silent');
  let driftsDue = 0;
  const driftDue = () => driftsDue++;
  const fleets = new Keepers((shop) => new FleetKeeper(shop, { anywhere: true }, logger));
  const hooks = new Keepers((shop) => new HookKeeper(shop, { anywhere: true }, logger));
  const options = { db, logger, run: 'test', incoming: folder, driftDue, fleets, hooks, proxies };
  const app = createApp({ ...options, ...(key && { metrics: { key, folder } }) });
  const described = new DescribedAnswers();
  const server = createServer((request, response) => {
    described.hear(request, response);
    app(request, response);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const pairedAs = async (name: string, role: Role, shop = db) => {
    const { code } = await beginPairing(shop, { name, role }, NOW);
    const { token } = await pair(shop, { code }, NOW);
    return `${(await doorOf(db)).cookie}=${token}`;
  };
  const cookie = beside?.cookie ?? (await pairedAs('Vera', 'foreman'));
  const asForeman = (path: string, init: RequestInit = {}) =>
    fetch(`http://127.0.0.1:${port}/api${path}`, { ...init, headers: { cookie, ...init.headers } });
  const ask = async (path: string, init?: RequestInit) => {
    const response = await asForeman(path, init);
    const text = await response.text();
    return { status: response.status, body: jsonOf(text) };
  };
  const send = async (method: string, path: string, body: unknown) => {
    const answer = await ask(path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    });
    if (answer.status < 300 && typeof body !== 'string') described.took(method, path, body);
    return answer;
  };
  return {
    db,
    database,
    folder,
    hooks: hooks.of(db),
    url: `http://127.0.0.1:${port}/api`,
    fetch: asForeman,
    cookie,
    driftsDue: () => driftsDue,
    pairedAs,
    get: (path) => ask(path),
    post: (path, body) => send('POST', path, body),
    put: (path, body) => send('PUT', path, body),
    patch: (path, body) => send('PATCH', path, body),
    delete: (path) => ask(path, { method: 'DELETE' }),
    async close() {
      await hooks.end();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await end();
      described.end();
    },
  };
}

async function openedBeside({ database: url, folder }: TestServer): Promise<TestDatabase> {
  const db = await openDatabase(folder, { url });
  return { db, folder, url, end: () => db.close() };
}

/** What came as JSON, or the text itself. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}
