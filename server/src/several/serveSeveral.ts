import { join } from 'node:path';
import type { Logger } from 'pino';
import type { Served, StartOptions } from '../serve';
import type { Place } from '../listening';
import { listenAt, placeFrom } from '../listening';
import { dataFolder } from '../serve';
import type { Environment } from '../settings';
import { proxiesFrom, wholeFrom } from '../settings';
import { madeDatabase } from '../store/sql/postgres/made';
import { forgetDatabase, noteDatabase } from './notedDatabase';
import { startOwnPostgres } from './ownPostgres';
import { proxyTo } from './proxyTo';
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
  const place = placeFrom(env);
  const processes = wholeFrom('LONGBAR_PROCESSES', 2, env);
  const folder = dataFolder(env);
  let several: Several | undefined;
  const proxy = proxyTo(() => several?.next());
  const end = await listenAt(place, proxy.answer);
  const shut = () => {
    end();
    proxy.close();
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
    const own = behindProxy(place, env, postgres.url(DATABASE));
    // Each has its own stand-ins of the demo's services, on this machine, and asks the other's too.
    if (demo) own.LONGBAR_ALLOW_PRIVATE = '1';
    several = new Several([demo ? 'demo' : '', web ?? ''], own, logger);
    const { demoLoaded, firstLink } = await several.begin();
    for (let begun = 1; begun < processes; begun++) await several.begin();
    const serving = several;
    const close = async () => {
      await serving.end();
      shut();
      await stop();
    };
    return { url: place.url, demoLoaded, firstLink, close };
  } catch (error) {
    await several?.end();
    shut();
    await stop();
    throw error;
  }
}

/** What a process is told that stands behind the proxy: who asks and by what name, the proxy says. */
function behindProxy(
  { url, hosts }: Place,
  env: Environment,
  database: string,
): Record<string, string | undefined> {
  return {
    ...env,
    DATABASE_URL: database,
    LONGBAR_ADDRESS: url,
    LONGBAR_HOSTS: hosts.join(','),
    LONGBAR_PROXY: ['loopback', ...proxiesFrom(env.LONGBAR_PROXY)].join(','),
    // The proxy holds the certificate.
    TLS_CERT: undefined,
    TLS_KEY: undefined,
  };
}
