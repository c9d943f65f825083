import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import { localDay, SeededRandom } from '@longbar/core';
import { root } from '../e2e/support/root';
import { openDatabase } from '../server/src/store/sql/database';
import { doorOf } from '../server/src/store/yard/door';
import { beginPairing, pair } from '../server/src/store/yard/pairing';
import { bigYard, READINGS } from './bigYard';
import type { Line } from './line';
import { quantile } from './line';

const PORT = 8699;
const CLIENTS = 20;
const PAUSE = 50;
const LASTS = 15_000;

/** A big yard: how soon its pages answer, and its drift by night. */
export async function yardLines(): Promise<Line[]> {
  const folder = join(root, `.cache/big-yard-${READINGS}`);
  const { jobs, events, readings } = await bigYard(folder, localDay(new Date()));
  const whole = (n: number) => new Intl.NumberFormat('en').format(n);
  console.log(
    `500 machines, ${whole(jobs)} jobs, ${whole(events)} events, ${whole(readings)} readings`,
  );
  await pairIn(folder);
  const server = await serve(folder);
  try {
    const ids = (JSON.parse(await text('/machines')) as { id: string }[]).map(({ id }) => id);
    const first = await firstAnswers(ids);
    const alone = await load(ids, pause(LASTS));
    const { took, done } = await nightly(folder);
    const beside = await load(ids, done);
    return [
      ...answerLines(', first answer of each machine', first, 30),
      ...answerLines('', alone, 50),
      {
        what: 'drift of 500 machines by night, beside the 20 clients',
        figure: `${((await took) / 1000).toFixed(1)} s`,
        wanted: 'at most 60 s',
        held: (await took) <= 60_000,
      },
      ...answerLines(' while the drift is worked out', beside, 100),
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

/** Each machine's page and drift once, by so many clients: nothing of it was asked for before. */
async function firstAnswers(ids: readonly string[]): Promise<Answers> {
  const answers: Answers = { 'machine page': [], 'drift of one machine': [] };
  const agent = new Agent({ keepAlive: true });
  const waiting = ids.flatMap((id) => [
    ['machine page', `/machines/${id}`] as const,
    ['drift of one machine', `/machines/${id}/checks`] as const,
  ]);
  const client = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [page, path] = next;
      const begun = performance.now();
      await ask(path, 'gzip', agent);
      answers[page]?.push(performance.now() - begun);
      await pause(PAUSE);
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, client));
  agent.destroy();
  return answers;
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
  await db.write((transaction) => db.whole.run('DELETE FROM machine_drift', [], transaction));
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
