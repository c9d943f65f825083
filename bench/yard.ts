import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import type { JobEvent } from '@longbar/core';
import { localDay, SeededRandom } from '@longbar/core';
import sqlite from 'sqlite3';
import { root } from '../e2e/support/server';
import { openDatabase } from '../server/src/store/database';
import { doorOf } from '../server/src/store/door';
import { appendEvents } from '../server/src/store/jobs';
import { beginPairing, pair } from '../server/src/store/pairing';
import { bigYard } from './bigYard';
import type { Line } from './line';
import { quantile } from './line';

const PORT = 8699;
const CLIENTS = 20;
const PAUSE = 50;
const LASTS = 15_000;
const BATCH = 20;
const ROUNDS = 200;

/** A big yard: how soon its pages answer, its drift by night, and what an append costs. */
export async function yardLines(): Promise<Line[]> {
  const folder = join(root, '.cache/big-yard');
  const { jobs, events, readings } = await bigYard(folder, localDay(new Date()));
  const whole = (n: number) => new Intl.NumberFormat('en').format(n);
  console.log(
    `500 machines, ${whole(jobs)} jobs, ${whole(events)} events, ${whole(readings)} readings`,
  );
  const append = await appendLine(folder);
  await pairIn(folder);
  const server = await serve(folder);
  try {
    const ids = (JSON.parse(await text('/machines')) as { id: string }[]).map(({ id }) => id);
    const alone = await load(ids, pause(LASTS));
    const { took, done } = await nightly(folder);
    const beside = await load(ids, done);
    return [
      ...answerLines('', alone, 50),
      {
        what: 'drift of 500 machines by night, beside the 20 clients',
        figure: `${((await took) / 1000).toFixed(1)} s`,
        wanted: 'at most 60 s',
        held: (await took) <= 60_000,
      },
      ...answerLines(' while the drift is worked out', beside, 100),
      append,
    ];
  } finally {
    server.kill();
  }
}

type Answers = Record<string, number[]>;

function answerLines(when: string, answers: Answers, most: number): Line[] {
  return Object.entries(answers).map(([page, took]) => {
    const [p50, p95] = [quantile(took, 0.5), quantile(took, 0.95)];
    return {
      what: `${page} of 500 machines, ${CLIENTS} clients${when}, 95th percentile`,
      figure: `${p95.toFixed(1)} ms (median ${p50.toFixed(1)} ms, worst ${Math.max(...took).toFixed(0)} ms of ${took.length})`,
      wanted: `at most ${most} ms`,
      held: p95 <= most,
    };
  });
}

async function serve(folder: string) {
  const env = { ...process.env, LONGBAR_DATA: folder, PORT: String(PORT) };
  const server = spawn(process.execPath, ['tools/run.mjs', 'start'], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve) => {
    server.stdout.on('data', (said: Buffer) => String(said).includes(`:${PORT}/`) && resolve());
  });
  // What it does by itself after its start is over when the measuring begins.
  await pause(8000);
  return server;
}

/** What a phone asks with. */
let cookie = '';

/** Pairs a phone with the shop of a folder. */
async function pairIn(folder: string): Promise<void> {
  const db = await openDatabase(folder);
  const now = new Date();
  const { code } = await beginPairing(db, 'foreman', now);
  const { token } = await pair(db, { code, name: 'Bench' }, now);
  cookie = `${(await doorOf(db)).cookie}=${token}`;
  await db.close();
}

/** The whole answer, as a browser asks for it; unpacked it is not, for that is the browser's. */
function ask(path: string, encoding: string, agent?: Agent): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const options = {
      ...(agent && { agent }),
      port: PORT,
      path: `/api${path}`,
      headers: { 'accept-encoding': encoding, cookie },
    };
    request(options, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () => {
        if (answer.statusCode === 200) resolve(Buffer.concat(parts));
        else reject(new Error(`${path} answered ${answer.statusCode}.`));
      });
    })
      .on('error', reject)
      .end();
  });
}

async function text(path: string): Promise<string> {
  return String(await ask(path, 'identity'));
}

/** So many clients, each asking for a page, waiting, and asking again, until `done`. */
async function load(ids: readonly string[], done: Promise<unknown>): Promise<Answers> {
  const answers: Answers = { 'yard board': [], 'machine page': [], 'drift of one machine': [] };
  // Connections of its own: one that has lain idle may be closed at the other end.
  const agent = new Agent({ keepAlive: true });
  let going = true;
  const end = () => (going = false);
  done.then(end, end);
  const client = async (seed: number) => {
    const chance = new SeededRandom(seed);
    while (going) {
      const id = chance.one(ids);
      const [page, path] = chance.one([
        ['yard board', '/machines'],
        ['machine page', `/machines/${id}`],
        ['drift of one machine', `/machines/${id}/checks`],
      ] as const);
      const begun = performance.now();
      await ask(path, 'gzip', agent);
      answers[page]?.push(performance.now() - begun);
      await pause(PAUSE);
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, (_, i) => client(i + 1)));
  agent.destroy();
  return answers;
}

/** Forgets the drift of every machine, and has it worked out as it is by night. */
async function nightly(folder: string): Promise<{ took: Promise<number>; done: Promise<void> }> {
  const db = await openDatabase(folder);
  await db.write((transaction) => db.run('DELETE FROM machine_drift', [], transaction));
  await db.close();
  const server = (await import(pathToFileURL(join(root, 'server/dist/dataFolder.mjs')).href)) as {
    workByNight: (folder: string) => import('node:child_process').ChildProcess;
  };
  const begun = performance.now();
  const child = server.workByNight(folder);
  const took = new Promise<number>((resolve, reject) => {
    child.once('exit', (code) => {
      if (code === 0) resolve(performance.now() - begun);
      else reject(new Error(`The drift ended with ${code}.`));
    });
  });
  return { took, done: took.then(() => undefined) };
}

/** Appending a phone's events beside the same rows by bare statements, turn and turn about. */
async function appendLine(folder: string): Promise<Line> {
  const db = await openDatabase(folder);
  const bare = await openBare(join(folder, 'longbar.sqlite'));
  const [{ id: job }, { id: other }] = (await db.rows<{ id: string }>(
    'SELECT id FROM jobs ORDER BY at DESC LIMIT 2',
  )) as [{ id: string }, { id: string }];
  const stamp = Date.now();
  let made = 0;
  const batchOf = (of: string): JobEvent[] =>
    Array.from({ length: BATCH }, () => ({
      type: 'reading.taken',
      adjuster: 'intake.1',
      phase: 'again',
      reading: { go: 250, noGo: 300, how: 'go-no-go' },
      id: `${(++made).toString(16).padStart(8, '0')}-0000-4000-9000-${stamp.toString(16).padStart(12, '0')}`,
      job: of,
      n: 1000 + made,
      at: new Date().toISOString(),
      by: 'Ina',
    }));
  const spent = { ours: 0, bare: 0 };
  for (let round = 0; round < ROUNDS; round++) {
    const [mine, theirs] = [batchOf(job), batchOf(other)];
    let begun = performance.now();
    await appendEvents(db, job, mine, new Date().toISOString());
    spent.ours += performance.now() - begun;
    begun = performance.now();
    await bare.append(theirs);
    spent.bare += performance.now() - begun;
  }
  await bare.all(`DELETE FROM events WHERE id LIKE '%${stamp.toString(16).padStart(12, '0')}'`);
  await bare.close();
  await db.close();
  const rate = (ms: number) => Math.round((1000 * ROUNDS * BATCH) / ms);
  return {
    what: `appending events, ${BATCH} at a time, against bare statements as durable`,
    figure: `${(spent.bare / spent.ours).toFixed(2)} (${rate(spent.ours)} a second, bare ${rate(spent.bare)})`,
    wanted: 'at least 0.5',
    held: spent.bare / spent.ours >= 0.5,
  };
}

/** The database by the driver alone, with the same durability. */
async function openBare(file: string) {
  const db = new sqlite.Database(file);
  const all = (sql: string) =>
    new Promise<void>((resolve, reject) =>
      db.exec(sql, (error) => (error ? reject(error) : resolve())),
    );
  await all('PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON');
  const insert = db.prepare(
    'INSERT INTO events (id, job, n, body, receivedAt) VALUES (?, ?, ?, ?, ?)',
  );
  return {
    all,
    async append(events: readonly JobEvent[]) {
      await all('BEGIN IMMEDIATE');
      for (const { id, job, n, at, ...rest } of events) {
        const body = JSON.stringify({ id, job, n, at, ...rest });
        await new Promise<void>((resolve, reject) =>
          insert.run(id, job, n, body, at, (error: Error | null) =>
            error ? reject(error) : resolve(),
          ),
        );
      }
      await all('COMMIT');
    },
    close: () => new Promise<void>((resolve) => insert.finalize(() => db.close(() => resolve()))),
  };
}
