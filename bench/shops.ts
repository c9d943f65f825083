import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { localDay } from '@longbar/core';
import * as v from 'valibot';
import { root } from '../e2e/support/root';
import { freePort } from '../server/src/several/freePort';
import { startOwnPostgres } from '../server/src/several/ownPostgres';
import { noteLook } from '../server/src/store/lastLook';
import type { Database } from '../server/src/store/sql/database';
import { openDatabase } from '../server/src/store/sql/database';
import { bigYard, READINGS } from './bigYard';
import type { Client, Measured } from './clients';
import {
  answerLines,
  ask,
  firstAnswers,
  load,
  machinesOf,
  ownConnections,
  pairWith,
} from './clients';
import { drawGrowth } from './growth';
import { hostTook } from './hostTook';
import type { Line } from './line';
import { quantile } from './line';
import { copyYard, openAlike } from './manyShops';
import { beginAppending, endAppending } from './openJobs';
import { serve } from './yard';

const PORT = 8699;
const SHOPS = 10;
const PROCESSES = 3;
/** Of one shop on a file, and of each shop of several. */
const [CLIENTS, OF_EACH] = [20, 6];
const LASTS = 15_000;
const APPENDING = 8000;
/** A process that has just begun compiles what it runs; a server has long done so, ms. */
const WARMING = 20_000;
const WRITERS = 8;
/** Half an hour: to copy a whole yard takes one statement long. */
const PATIENCE = 1_800_000;

/**
 * Ten shops of 500 machines on PostgreSQL, served by three processes, beside one of them on a file:
 * how soon pages answer, and how many taps a second are kept. How that grows is drawn.
 */
export async function shopsLines(): Promise<Line[]> {
  const folder = join(root, `.cache/big-yard-${READINGS}`);
  const today = localDay(new Date());
  const { events, readings } = await bigYard(folder, today);
  const whole = (n: number) => new Intl.NumberFormat('en').format(n);
  console.log(`Each shop: 500 machines, ${whole(events)} events, ${whole(readings)} readings`);
  const file = await onFile(folder);
  const grown = await onPostgres(folder);
  drawGrowth(join(root, 'docs/growth.svg'), file, grown);
  const last = grown.at(-1);
  const alone = grown[0];
  if (!last || !alone) throw new Error('Nothing was measured.');
  const wanted = 2 * Math.max(...Object.values(file.answers).map((took) => quantile(took, 0.95)));
  return [
    ...answerLines(`500 machines on a file, ${CLIENTS} clients`, file.answers, wanted),
    ...answerLines(
      `${SHOPS} shops of 500 machines, ${PROCESSES} processes, ${last.clients} clients`,
      last.answers,
      wanted,
    ),
    {
      what: `appends of eight phones at once, on PostgreSQL by ${PROCESSES} processes against a file`,
      figure: `${(alone.appends / file.appends).toFixed(2)} (${alone.appends.toFixed(0)} a second, file ${file.appends.toFixed(0)}; of ${SHOPS} shops at once ${last.appends.toFixed(0)})`,
      wanted: 'at least 1.5',
      held: alone.appends >= 1.5 * file.appends,
    },
  ];
}

async function onFile(folder: string): Promise<Measured> {
  const db = await openDatabase(folder);
  await noteLook(db, new Date());
  const cookie = await pairWith(db);
  const jobs = await beginAppending(db, WRITERS);
  await db.close();
  const server = await serve(folder, PORT);
  const phone = { port: PORT, cookie };
  const ids = await machinesOf(phone);
  const clients = Array.from({ length: CLIENTS }, () => ({ ...phone, ids }));
  await firstAnswers(clients);
  await appending([{ ...phone, jobs }], WARMING);
  const measured = await measure(1, clients, [{ ...phone, jobs }]);
  const ended = once(server, 'exit');
  server.kill();
  await ended;
  const again = await openDatabase(folder);
  await endAppending(again, jobs);
  await again.close();
  return measured;
}

async function onPostgres(folder: string): Promise<Measured[]> {
  const own = `${folder}-postgres`;
  await loaded(folder, own);
  const postgres = await startOwnPostgres(own, { shared_buffers: '1GB' });
  const url = postgres.url('postgres');
  const db = await openDatabase(folder, { url });
  // As of any night: a look through all that was just loaded would go on beside the measuring.
  await noteLook(db, new Date());
  const shops: { cookie: string; jobs: string[]; db: Database }[] = [];
  for (let n = 1; n <= SHOPS; n++) {
    const shop = db.of(n);
    const jobs = await beginAppending(shop, WRITERS);
    shops.push({ cookie: await pairWith(shop), jobs, db: shop });
  }
  const ports = await Promise.all(Array.from({ length: PROCESSES }, () => freePort()));
  const processes: ChildProcess[] = [];
  try {
    for (const port of ports) processes.push(await oneMore(port, url));
    await pause(8000);
    const [one] = shops;
    if (one) await appending(writersOf([one], ports), WARMING);
    const measured: Measured[] = [];
    for (const many of [1, 2, 5, SHOPS])
      measured.push(await withShops(shops.slice(0, many), ports));
    return measured;
  } finally {
    for (const child of processes) child.kill();
    for (const { db: shop, jobs } of shops) await endAppending(shop, jobs);
    await db.close();
    await postgres.stop();
  }
}

type Shop = { cookie: string; jobs: string[] };

async function withShops(shops: readonly Shop[], ports: readonly number[]): Promise<Measured> {
  const port = (i: number) => ports[i % ports.length] ?? 0;
  const clients: Client[] = [];
  for (const [i, { cookie }] of shops.entries()) {
    const ids = await machinesOf({ port: port(i), cookie });
    for (let n = 0; n < OF_EACH; n++) clients.push({ port: port(clients.length), cookie, ids });
  }
  // Each process makes and packs each answer once. That is measured elsewhere, and is over here: the
  // few answers of one shop are made within seconds, those of ten by three processes in minutes.
  await Promise.all(ports.map((at) => firstOfAll(shops, at)));
  return measure(shops.length, clients, writersOf(shops, ports));
}

/** The phones of these shops that tap, spread over the processes as by a proxy. */
function writersOf(shops: readonly Shop[], ports: readonly number[]): Writers[] {
  return shops.flatMap(({ cookie, jobs }) =>
    jobs.map((job, i) => ({ port: ports[i % ports.length] ?? 0, cookie, jobs: [job] })),
  );
}

/** Asks one process for every answer of these shops. */
async function firstOfAll(shops: readonly Shop[], port: number): Promise<void> {
  for (const { cookie } of shops) {
    const phone = { port, cookie };
    const client = { ...phone, ids: await machinesOf(phone) };
    await firstAnswers(Array.from({ length: CLIENTS }, () => client));
  }
}

type Writers = { port: number; cookie: string; jobs: readonly string[] };

async function measure(
  shops: number,
  clients: readonly Client[],
  writers: readonly Writers[],
): Promise<Measured> {
  const took = hostTook();
  const answers = await load(clients, pause(LASTS));
  const measured = { shops, clients: clients.length, answers, appends: await appending(writers) };
  console.log(`While ${clients.length} clients looked about in ${shops} of the shops, ${took()}.`);
  return measured;
}

/** The number of the last event that each job's phone sent. */
const lastOf = new Map<string, number>();

/** Each job's phone sends one tap after the other: how many a second are kept. */
async function appending(writers: readonly Writers[], lasts = APPENDING): Promise<number> {
  const agent = ownConnections();
  const until = performance.now() + lasts;
  let kept = 0;
  const phone = async ({ port, cookie }: Writers, job: string) => {
    while (performance.now() < until) {
      const n = (lastOf.get(job) ?? 0) + 1;
      lastOf.set(job, n);
      const head = { id: crypto.randomUUID(), job, n, by: 'Bench' };
      const reading = { go: 250, noGo: 300, how: 'go-no-go' };
      const event = {
        ...{ ...head, at: new Date().toISOString(), type: 'reading.taken', reading },
        ...{ adjuster: 'intake.1', phase: 'again' },
      };
      const headers = { 'content-type': 'application/json' };
      const body = JSON.stringify([event]);
      await ask({ port, cookie }, `/jobs/${job}/events`, agent, { method: 'POST', headers, body });
      kept += 1;
    }
  };
  await Promise.all(writers.flatMap((each) => each.jobs.map((job) => phone(each, job))));
  agent.destroy();
  return kept / (lasts / 1000);
}

/** Loads the yard of a file into a PostgreSQL, ten times, and keeps it for the next run. */
async function loaded(folder: string, own: string): Promise<void> {
  const done = `${own}-made`;
  if (existsSync(done)) return;
  const careless = { fsync: 'off', full_page_writes: 'off', synchronous_commit: 'off' };
  const settings = { ...careless, wal_level: 'minimal', max_wal_senders: '0' };
  const postgres = await startOwnPostgres(own, { ...settings, max_wal_size: '8GB' });
  const from = await openDatabase(folder);
  const to = await openDatabase(folder, { url: postgres.url('postgres'), patience: PATIENCE });
  await copyYard(from, to);
  for (let shop = 2; shop <= SHOPS; shop++) {
    console.log(`${shop - 1} of ${SHOPS} shops on PostgreSQL`);
    await openAlike(to);
  }
  await to.whole.rows(v.unknown(), 'VACUUM ANALYZE');
  await from.close();
  await to.close();
  await postgres.stop();
  writeFileSync(done, '');
}

/** Begins one process that serves a database, once it does. */
async function oneMore(port: number, url: string): Promise<ChildProcess> {
  const data = join(root, `.cache/bench-process-${port}`);
  const place = { HOST: '127.0.0.1', PORT: String(port), LONGBAR_DATA: data };
  mkdirSync(data, { recursive: true });
  const script = join(root, 'server/dist/oneOfSeveral.mjs');
  const child = fork(script, ['', join(root, 'app/dist')], {
    env: { ...process.env, ...place, DATABASE_URL: url, LOG_LEVEL: 'error' },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const [told] = await once(child, 'message');
  child.once('exit', () => rmSync(data, { recursive: true, force: true }));
  if (told.why) throw new Error(told.why);
  return child;
}
