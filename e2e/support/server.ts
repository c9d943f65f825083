import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { BrowserContext } from '@playwright/test';
import { Alone } from './alone';
import { Hosted } from './hosted';
import { root } from './root';

type Options = {
  /** A folder with an application of its own to serve. */
  web?: string;
  /** Begins as an empty shop, without the demo. */
  empty?: boolean;
  /** Its first link is left for the test to open. */
  unpaired?: boolean;
  /** The files to serve HTTPS by. */
  certificate?: { cert: string; key: string };
  /** Runs in a process of its own, for it is killed or its files may not grow. */
  alone?: boolean;
  /** By two processes, on a PostgreSQL of its own; it is `alone`, too. */
  postgres?: boolean;
  /** Each of its processes has a clock of its own, hours apart. */
  clocksApart?: boolean;
};

/** With this, all but those that run `alone` are on PostgreSQL, by three processes each. */
const EVERYWHERE = process.env.LONGBAR_E2E_POSTGRES === '1';

/** A server of a test's own: its port, its data, and the means to stop and start it. */
export class TestServer {
  readonly data = mkdtempSync(join(tmpdir(), 'longbar-e2e-'));
  private readonly serving;
  /** The cookie of a foreman’s phone, as `name=value`. */
  cookie: string | undefined;
  /** The link that pairs the first phone of an empty shop, as the server printed it. */
  firstLink: string | undefined;
  private constructor(
    readonly port: number,
    private readonly options: Options,
  ) {
    this.serving = options.alone || options.postgres ? new Alone() : new Hosted();
  }

  static async start(options: Options = {}): Promise<TestServer> {
    const postgres = options.postgres || (EVERYWHERE && !options.alone);
    const server = new TestServer(await freePort(), { ...options, postgres });
    const seed = process.env.LONGBAR_E2E_SEED;
    // Its database is another’s to reach, where this is run as root.
    if (postgres) chmodSync(server.data, 0o711);
    if (seed !== undefined && !options.empty && (EVERYWHERE || !postgres)) {
      // With whose they are: its database’s files are another’s.
      execFileSync('cp', ['-a', `${seed}/.`, server.data]);
      server.cookie = process.env.LONGBAR_E2E_COOKIE;
    }
    await server.up();
    return server;
  }

  get url(): string {
    return `${this.options.certificate ? 'https' : 'http'}://127.0.0.1:${this.port}`;
  }

  /** Starts it; with `kilobytes` no file of its may grow beyond that, as on a full disk. */
  async up({ kilobytes }: { kilobytes?: number } = {}): Promise<void> {
    const { web, certificate, empty, postgres, clocksApart } = this.options;
    const env = {
      PORT: String(this.port),
      LONGBAR_DATA: this.data,
      ...(postgres && { LONGBAR_PROCESSES: '3' }),
      ...(clocksApart && {
        NODE_OPTIONS: `--import=${pathToFileURL(join(root, 'e2e/support/clockApart.mjs')).href}`,
      }),
      ...(certificate && { TLS_CERT: certificate.cert, TLS_KEY: certificate.key }),
    };
    this.firstLink = await this.serving.up({ env, demo: !empty, web, postgres, kilobytes });
    await this.letIn();
  }

  /** Pairs a phone by the first link that was printed, or steps into the demo. */
  private async letIn(): Promise<void> {
    if (this.options.unpaired || (this.cookie !== undefined && !this.firstLink)) return;
    const code = this.firstLink?.split('#')[1];
    const answer = await (code === undefined
      ? this.send('/demo/enter', { as: 'foreman' })
      : this.send('/pair', { code, name: 'Ina' }));
    this.cookie = answer.headers.get('set-cookie')?.split(';')[0];
    if (this.cookie === undefined) throw new Error(`No phone was paired: ${await answer.text()}`);
  }

  /** Every page of this context is the foreman’s phone from here on. */
  async pairWith(context: BrowserContext): Promise<void> {
    const [name = '', value = ''] = (this.cookie ?? '').split('=');
    await context.addCookies([{ name, value, url: this.url }]);
  }

  /** Asks its API as the foreman’s phone does. */
  fetch(path: string, init: RequestInit = {}): Promise<Response> {
    const cookie = this.cookie === undefined ? {} : { cookie: this.cookie };
    const headers = { ...cookie, ...(init.headers as Record<string, string> | undefined) };
    return fetch(`${this.url}/api${path}`, { ...init, headers });
  }

  /** Sends it something, as a phone does. */
  send(path: string, body: unknown, method = 'POST'): Promise<Response> {
    const headers = { 'content-type': 'application/json' };
    return this.fetch(path, { method, headers, body: JSON.stringify(body) });
  }

  /** Sends it something that it must take. */
  async keep(path: string, body: unknown, method = 'POST'): Promise<void> {
    const answer = await this.send(path, body, method);
    if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
  }

  /** The number of the process it runs in, where that is one of its own. */
  get pid(): number {
    return this.serving instanceof Alone ? this.serving.pid : 0;
  }

  /** Stops it; with SIGKILL as if the power had failed. */
  async down(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    await this.serving.down(signal);
  }

  async end(): Promise<void> {
    await this.down();
    rmSync(this.data, { recursive: true, force: true });
  }
}

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      probe.close(() => resolve(port));
    });
  });
}
