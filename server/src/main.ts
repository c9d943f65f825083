import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { networkInterfaces } from 'node:os';
import { resolve } from 'node:path';
import type { Logger } from 'pino';
import qrcode from 'qrcode-terminal';
import { goByShop } from './goByShop';
import { findApart } from './weeks/findApart';
import { demoFleet } from './demo/demoFleet';
import { demoHook } from './demo/demoHook';
import { loadDemo } from './demo/loadDemo';
import { FleetKeeper } from './fleet/fleetKeeper';
import { HookKeeper } from './hooks/hookKeeper';
import { createApp } from './http/createApp';
import { nightWork } from './nights';
import { keepBackedUp } from './keepBackedUp';
import { LongJobs } from './longJobs';
import { Entrance } from './http/entrance';
import { hearConsole, logOf } from './log';
import { inOwnProcess } from './ownProcess';
import { firstLink, noteAddress } from './pairingLink';
import {
  backupPlan,
  certificateFrom,
  hostsFrom,
  logLevelFrom,
  portFrom,
  proxiesFrom,
  StartError,
} from './settings';
import { quickLook } from './store/damage';
import type { Database } from './store/database';
import { FolderError, wayBack } from './store/dataFile';
import { openDatabase } from './store/database';
import { identityOf, readShop } from './store/shop';
import { diskTrouble } from './store/trouble';

/** What a start can be told; the environment gives the rest. */
export type StartOptions = { demo: boolean; web?: string | undefined };

/** Opens the database, loads the demo data into an empty one if asked, and serves. */
export async function start({ demo, web }: StartOptions): Promise<void> {
  try {
    await serve({ demo, web });
  } catch (error) {
    console.error(wordsOf(error));
    process.exit(1);
  }
}

/** Why it cannot start, for a person; what nobody foresaw is thrown. */
function wordsOf(error: unknown): string {
  if (error instanceof StartError || error instanceof FolderError) return error.message;
  if (diskTrouble(error) === undefined) throw error;
  const why = error instanceof Error ? error.message : String(error);
  return `The database in ${dataFolder()} cannot be read: ${why}. ${wayBack(dataFolder())}`;
}

function dataFolder(): string {
  return resolve(process.env.LONGBAR_DATA ?? 'data');
}

async function serve({ demo, web }: StartOptions): Promise<void> {
  const host = process.env.HOST ?? '127.0.0.1';
  const port = portFrom(process.env.PORT);
  const devOrigin = process.env.LONGBAR_DEV_ORIGIN;
  const secure = certificateFrom(process.env.TLS_CERT, process.env.TLS_KEY);
  const proxies = proxiesFrom(process.env.LONGBAR_PROXY);
  const folder = dataFolder();
  const logger = logOf(logLevelFrom(process.env.LOG_LEVEL));
  hearConsole(logger);
  const entrance = new Entrance();
  const server = secure
    ? createSecureServer(secure, entrance.answer)
    : createServer(entrance.answer);
  await listen(server, port, host);
  const longJobs = new LongJobs(() => inOwnProcess('longJob'));
  const db = await openDatabase(folder, longJobs.summarise);
  await lookOver(db, logger);
  if (demo && db.damage() === null && (await loadDemo(db, new Date())))
    console.log('Demo data loaded.');
  goByShop(await readShop(db));
  const backups = backupPlan(folder);
  const hosts = [...hostsFrom(process.env.LONGBAR_HOSTS, secure?.cert), host];
  const nights = nightWork(db, folder, logger);
  const isDemo = db.damage() === null && (await identityOf(db)).demo;
  const reach = {
    anywhere: process.env.LONGBAR_ALLOW_PRIVATE === '1',
    ...(isDemo && { origins: new Set([await demoFleet(db), await demoHook(db)]) }),
  };
  const fleets = new FleetKeeper(db, reach, logger);
  const hooks = new HookKeeper(db, reach, logger);
  const key = process.env.LONGBAR_METRICS_KEY;
  const app = createApp({
    ...{ db, logger, run: randomUUID(), web, devOrigin, hosts, proxies, backups },
    ...{ driftDue: nights.look, fleets, hooks, find: findApart },
    ...(key && { metrics: { key, folder } }),
  });
  entrance.open(app);
  const stopBackups = keepBackedUp(db, backups, logger);
  nights.begin();
  fleets.begin();
  hooks.begin();
  closeOnSignal(server, db, async () => {
    stopBackups();
    await Promise.all([nights.end(), fleets.end(), hooks.end()]);
    longJobs.close();
  });
  const url = `${secure ? 'https' : 'http'}://${LOOPBACK.has(host) ? host : reachable(host)}:${port}/`;
  noteAddress(folder, url);
  announce(url, db.damage() === null ? await firstLink(db, folder) : undefined);
}

/** What is wrong with the database is said before the first phone asks. */
async function lookOver(db: Database, logger: Logger): Promise<void> {
  await quickLook(db);
  const damage = db.damage();
  if (damage !== null) logger.error(damage);
  if (db.lost > 0) {
    logger.error(
      `${db.lost} entries that phones were told are kept are missing. Phones that hold them send them again.`,
    );
  }
}

function listen(server: Server, port: number, host: string): Promise<void> {
  return new Promise((resolvePromise, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE') {
        reject(new StartError(`Port ${port} is in use. Set PORT to a free one.`));
      } else if (error.code === 'EACCES' || error.code === 'EADDRNOTAVAIL') {
        reject(new StartError(`Cannot listen on ${host}:${port} (${error.code}).`));
      } else reject(error);
    });
    server.listen(port, host, resolvePromise);
  });
}

function closeOnSignal(server: Server, db: Database, stopWork: () => Promise<void>): void {
  let closing = false;
  const close = async () => {
    if (closing) return;
    closing = true;
    await stopWork();
    server.close();
    server.closeAllConnections();
    await db.close();
    console.log('Database closed.');
    process.exit(0);
  };
  process.on('SIGINT', close);
  process.on('SIGTERM', close);
}

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

/** Says where it is served, and how the first phone is paired; for a phone, as a QR code too. */
function announce(url: string, firstLink: string | undefined): void {
  if (firstLink !== undefined) {
    console.log(`Open this on the first phone, the foreman’s, within 15 minutes: ${firstLink}`);
  }
  console.log(`Long Bar is at ${url}  (Ctrl-C stops it)`);
  if (!LOOPBACK.has(new URL(url).hostname)) qrcode.generate(firstLink ?? url, { small: true });
}

/** The address another device reaches: the first of this machine where all are served. */
function reachable(host: string): string {
  if (host !== '0.0.0.0' && host !== '::') return host;
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all.find(({ family, internal }) => family === 'IPv4' && !internal)?.address ?? 'localhost';
}
