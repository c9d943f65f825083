import type { RequestListener } from 'node:http';
import { Agent, createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { join } from 'node:path';
import httpProxy from 'http-proxy';
import type { Logger } from 'pino';
import type { Served, StartOptions } from '../serve';
import { dataFolder, listen, reachable } from '../serve';
import type { Environment } from '../settings';
import { certificateFrom, portFrom, wholeFrom } from '../settings';
import { madeDatabase } from '../store/sql/postgres/made';
import { forgetDatabase, noteDatabase } from './notedDatabase';
import { startOwnPostgres } from './ownPostgres';
import { Several } from './several';

const DATABASE = 'longbar';

/**
 * Serves by several processes behind a small proxy, on a PostgreSQL of the application's own that
 * lies in the data folder and is stopped with it. Throws StartError with what to do.
 */
export async function serveSeveral(
  { demo, web }: StartOptions,
  env: Environment,
  logger: Logger,
): Promise<Served> {
  const host = env.HOST ?? '127.0.0.1';
  const port = portFrom(env.PORT);
  const processes = wholeFrom('LONGBAR_PROCESSES', 2, env);
  const folder = dataFolder(env);
  const secure = certificateFrom(env.TLS_CERT, env.TLS_KEY);
  const url = `${secure ? 'https' : 'http'}://${reachable(host)}:${port}/`;
  let several: Several | undefined;
  const { answer, close: closeProxy } = proxyTo(() => several?.next());
  const server = secure ? createSecureServer(secure, answer) : createServer(answer);
  await listen(server, port, host);
  const shut = () => {
    server.close();
    server.closeAllConnections();
    closeProxy();
  };
  const postgres = await startOwnPostgres(join(folder, 'postgres')).catch((error) => {
    shut();
    throw error;
  });
  const stop = async () => {
    forgetDatabase(folder);
    await postgres.stop();
  };
  try {
    await madeDatabase(postgres.url('postgres'), DATABASE);
    noteDatabase(folder, postgres.url(DATABASE));
    const own = {
      ...env,
      ...{ DATABASE_URL: postgres.url(DATABASE), LONGBAR_ADDRESS: url, LONGBAR_PROXY: 'loopback' },
      // The proxy holds the certificate.
      ...{ TLS_CERT: undefined, TLS_KEY: undefined },
      // Each has its own stand-ins of the demo's services, on this machine, and asks the other's too.
      ...(demo && { LONGBAR_ALLOW_PRIVATE: '1' }),
    };
    several = new Several([demo ? 'demo' : '', web ?? ''], own, logger);
    const { demoLoaded, firstLink } = await several.begin();
    for (let begun = 1; begun < processes; begun++) await several.begin();
    const serving = several;
    const close = async () => {
      await serving.end();
      shut();
      await stop();
    };
    return { url, demoLoaded, firstLink, close };
  } catch (error) {
    await several?.end();
    shut();
    await stop();
    throw error;
  }
}

const AWAY = 'The server is starting. It answers in a moment.';

/** Passes each request to the next of several ports, and says so where none takes it. */
function proxyTo(next: () => number | undefined): { answer: RequestListener; close: () => void } {
  const agent = new Agent({ keepAlive: true });
  const proxy = httpProxy.createProxyServer({ agent, xfwd: true });
  const answer: RequestListener = (request, response) => {
    const away = () => {
      if (response.headersSent) return response.destroy();
      response.writeHead(503, { 'Content-Type': 'application/json', 'Retry-After': '1' });
      return response.end(JSON.stringify({ error: { message: AWAY } }));
    };
    const port = next();
    if (port === undefined) return away();
    return proxy.web(request, response, { target: { host: '127.0.0.1', port } }, away);
  };
  return {
    answer,
    close: () => {
      proxy.close();
      agent.destroy();
    },
  };
}
