import { randomUUID } from 'node:crypto';
import type { RequestListener, Server } from 'node:http';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { networkInterfaces } from 'node:os';
import { join, resolve } from 'node:path';
import { localDay } from '@longbar/core';
import type { Logger } from 'pino';
import { pino } from 'pino';
import qrcode from 'qrcode-terminal';
import { loadDemo } from './demo/loadDemo';
import { createApp } from './http/createApp';
import { backUp, BackupError } from './store/backup';
import { driftEveryNight } from './nights';
import type { Database } from './store/database';
import { FolderError, openDatabase } from './store/database';
import { rebuild } from './store/readTables';

/** What a start can be told; the environment gives the rest. */
export type StartOptions = { demo: boolean; web?: string | undefined };

/** Cannot start, for a reason a person can mend. */
class StartError extends Error {}

/** Opens the database, loads the demo data into an empty one if asked, and serves. */
export async function start({ demo, web }: StartOptions): Promise<void> {
  try {
    await serve({ demo, web });
  } catch (error) {
    if (!(error instanceof StartError) && !(error instanceof FolderError)) throw error;
    console.error(error.message);
    process.exit(1);
  }
}

async function serve({ demo, web }: StartOptions): Promise<void> {
  const host = process.env.HOST ?? '127.0.0.1';
  const port = portFrom(process.env.PORT);
  const devOrigin = process.env.LONGBAR_DEV_ORIGIN;
  const secure = certificateFrom(process.env.TLS_CERT, process.env.TLS_KEY);
  const folder = resolve(process.env.LONGBAR_DATA ?? 'data');
  const db = await openDatabase(folder);
  if (demo && (await loadDemo(db, new Date()))) console.log('Demo data loaded.');
  const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
  const app = createApp({ db, logger, run: randomUUID(), web, devOrigin });
  const server = secure ? createSecureServer(secure, app as RequestListener) : createServer(app);
  try {
    await listen(server, port, host);
  } catch (error) {
    await db.close();
    throw error;
  }
  const stopBackups = backUpNowAndThen(db, folder, logger);
  const stopDrift = driftEveryNight(folder, logger);
  closeOnSignal(server, db, async () => {
    stopBackups();
    await stopDrift();
  });
  announce(host, port, secure ? 'https' : 'http');
}

function portFrom(text = '8640'): number {
  const port = Number(text);
  if (Number.isInteger(port) && port >= 0 && port <= 65535) return port;
  throw new StartError(`PORT is “${text}”; it must be a whole number from 0 to 65535.`);
}

/** The certificate to serve by, where one is named; both files or none. */
function certificateFrom(cert: string | undefined, key: string | undefined) {
  if (!cert && !key) return undefined;
  if (!cert || !key) throw new StartError('Set both TLS_CERT and TLS_KEY, or neither.');
  const read = (name: string, file: string) => {
    try {
      return readFileSync(file);
    } catch {
      throw new StartError(`${name} is “${file}”, which cannot be read.`);
    }
  };
  return { cert: read('TLS_CERT', cert), key: read('TLS_KEY', key) };
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

export { workOutDrift } from './nights';
export { restore } from './store/backup';

/** All that is derived in a data folder, worked out anew; the server may run on it. */
export async function rebuildFolder(
  folder: string,
  said: (things: string, done: number) => void,
): Promise<void> {
  const db = await openDatabase(folder);
  try {
    await rebuild(db, localDay(new Date()), said);
  } finally {
    await db.close();
  }
}

const HOUR = 3_600_000;

/** A checked backup of a data folder now; the server may run on it. */
export async function backUpFolder(folder: string): Promise<string> {
  const db = await openDatabase(folder);
  try {
    return await backUp(db, join(folder, 'backups'), keptBackups(), new Date());
  } finally {
    await db.close();
  }
}

function keptBackups(): number {
  return wholeFrom('LONGBAR_BACKUPS', 14);
}

function wholeFrom(name: string, usual: number): number {
  const text = process.env[name];
  if (text === undefined) return usual;
  const figure = Number(text);
  if (Number.isInteger(figure) && figure >= 1) return figure;
  throw new StartError(`${name} is “${text}”; it must be a whole number from 1.`);
}

/** Backs up every so many hours while the server runs; a failure is logged and tried again. */
function backUpNowAndThen(db: Database, folder: string, logger: Logger): () => void {
  const every = wholeFrom('LONGBAR_BACKUP_HOURS', 24) * HOUR;
  const keep = keptBackups();
  const work = () =>
    backUp(db, join(folder, 'backups'), keep, new Date()).catch((error) =>
      logger.error(error, error instanceof BackupError ? error.message : 'The backup failed.'),
    );
  const timer = setInterval(() => void work(), every);
  return () => clearInterval(timer);
}

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

/** Says where it is served; for a phone, as a QR code too. */
function announce(host: string, port: number, scheme: 'http' | 'https'): void {
  const url = `${scheme}://${LOOPBACK.has(host) ? host : reachable(host)}:${port}/`;
  console.log(`Long Bar is at ${url}  (Ctrl-C stops it)`);
  if (!LOOPBACK.has(host)) qrcode.generate(url, { small: true });
}

/** The address another device reaches: the first of this machine where all are served. */
function reachable(host: string): string {
  if (host !== '0.0.0.0' && host !== '::') return host;
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all.find(({ family, internal }) => family === 'IPv4' && !internal)?.address ?? 'localhost';
}
