import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import { localDay } from '@longbar/core';
import { root } from '../e2e/support/root';
import { backupPlan } from '../server/src/settings';
import { backUp } from '../server/src/store/sql/backup';
import { backupState } from '../server/src/store/sql/backupFiles';
import { openDatabase } from '../server/src/store/sql/database';
import { bigYard, READINGS } from './bigYard';
import { answerLines, firstAnswers, load, machinesOf, pairWith } from './clients';
import type { Line } from './line';

const PORT = 8699;
const CLIENTS = 20;
const LASTS = 15_000;

/** A big yard: how soon its pages answer, and its drift by night. */
export async function yardLines(): Promise<Line[]> {
  const folder = join(root, `.cache/big-yard-${READINGS}`);
  const { jobs, events, readings } = await bigYard(folder, localDay(new Date()));
  const whole = (n: number) => new Intl.NumberFormat('en').format(n);
  console.log(
    `500 machines, ${whole(jobs)} jobs, ${whole(events)} events, ${whole(readings)} readings`,
  );
  const phone = { port: PORT, cookie: await pairIn(folder) };
  const server = await serve(folder, PORT);
  try {
    const ids = await machinesOf(phone);
    const clients = Array.from({ length: CLIENTS }, () => ({ ...phone, ids }));
    const first = await firstAnswers(clients);
    const alone = await load(clients, pause(LASTS));
    const { took, done } = await nightly(folder);
    const beside = await load(clients, done);
    const whose = `500 machines, ${CLIENTS} clients`;
    return [
      ...answerLines(`${whose}, first answer of each machine`, first, 30),
      ...answerLines(whose, alone, 50),
      {
        what: 'drift of 500 machines by night, beside the 20 clients',
        figure: `${((await took) / 1000).toFixed(1)} s`,
        wanted: 'at most 60 s',
        held: (await took) <= 60_000,
      },
      ...answerLines(`${whose} while the drift is worked out`, beside, 100),
    ];
  } finally {
    server.kill();
  }
}

/** Serves the shop of a folder as it is served, by one process, with the backup of the day behind it. */
export async function serve(folder: string, port: number) {
  await backedUp(folder);
  const env = { ...process.env, LONGBAR_DATA: folder, PORT: String(port) };
  const server = spawn(process.execPath, ['tools/run.mjs', 'start'], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve) => {
    server.stdout.on('data', (said: Buffer) => String(said).includes(`:${port}/`) && resolve());
  });
  // What it does by itself after its start is over when the measuring begins.
  await pause(8000);
  return server;
}

/** A minute after its start the server would make one beside the measuring, and be killed over it each time. */
async function backedUp(folder: string): Promise<void> {
  const plan = backupPlan(folder, process.env);
  if (!backupState(plan, new Date()).due) return;
  const db = await openDatabase(folder);
  await backUp(db, plan, new Date());
  await db.close();
}

/** Pairs a phone with the shop of a folder: the cookie that it asks with. */
async function pairIn(folder: string): Promise<string> {
  const db = await openDatabase(folder);
  const cookie = await pairWith(db);
  await db.close();
  return cookie;
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
