import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobEvent } from '@longbar/core';
import { loadDemo } from '../server/src/demo/loadDemo';
import { MACHINES } from '../server/src/demo/yard';
import { startOwnPostgres } from '../server/src/several/ownPostgres';
import { appendEvents } from '../server/src/store/journal/appends';
import { beginJob } from '../server/src/store/journal/jobs';
import type { Database } from '../server/src/store/sql/database';
import { openDatabase } from '../server/src/store/sql/database';
import type { Line } from './line';
import { spentByGrandchildren } from './processorTime';

const WRITERS = 8;
const APPENDS = 150;
const ROUNDS = 4;

/** Eight phones that append to eight jobs at once: on PostgreSQL beside a file, turn and turn about. */
export async function appendSeveralLines(): Promise<Line[]> {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-several-'));
  // Its own user reaches no folder within another’s.
  const own = mkdtempSync(join(tmpdir(), 'longbar-several-'));
  const postgres = await startOwnPostgres(own);
  const opened = [
    await openDatabase(join(folder, 'file')),
    await openDatabase(folder, { url: postgres.url('postgres') }),
  ] as const;
  try {
    const took = { alone: 0, file: 0, postgres: 0 };
    const spent = { process: 0, database: 0 };
    const jobs = [await begun(opened[0]), await begun(opened[1])] as const;
    for (let round = 0; round < ROUNDS; round++) {
      for (const job of jobs[0]) took.alone += await phones(opened[0], [job]);
      took.file += await phones(opened[0], jobs[0]);
      const [own, ofDatabase] = [process.cpuUsage(), spentByGrandchildren()];
      took.postgres += await phones(opened[1], jobs[1]);
      const { user, system } = process.cpuUsage(own);
      spent.process += (user + system) / 1000;
      spent.database += spentByGrandchildren() - ofDatabase;
    }
    const all = ROUNDS * WRITERS * APPENDS;
    const rate = (ms: number) => Math.round((1000 * all) / ms);
    const each = (ms: number) => (ms / all).toFixed(2);
    const cores = cpus().length;
    return [
      {
        what: 'appends of eight phones at once, on PostgreSQL against a file, one process each',
        figure: `${(took.file / took.postgres).toFixed(2)} (${rate(took.postgres)} a second, file ${rate(took.file)})`,
        wanted: 'at least 1.5',
        held: took.file / took.postgres >= 1.5,
      },
      {
        what: 'the same on PostgreSQL, against a file that keeps the appends of one phone after the other',
        figure: `${(took.alone / took.postgres).toFixed(2)} (file ${rate(took.alone)} a second)`,
        wanted: 'side by side',
        held: true,
      },
      {
        what: `what ${cores} processors keep at most on PostgreSQL, by any number of processes, against a file`,
        figure: `${((cores * took.file) / (spent.process + spent.database)).toFixed(2)} (${each(spent.process)} ms of a process and ${each(spent.database)} of the database for each, a file ${each(took.file)})`,
        wanted: 'side by side',
        held: true,
      },
    ];
  } finally {
    for (const db of opened) await db.close();
    await postgres.stop();
    for (const each of [folder, own]) rmSync(each, { recursive: true, force: true });
  }
}

async function begun(db: Database): Promise<string[]> {
  await loadDemo(db, new Date());
  const at = new Date().toISOString();
  const jobs: string[] = [];
  for (let n = 0; n < WRITERS; n++) {
    const id = crypto.randomUUID();
    const head = { id, machine: MACHINES[n]!.id, method: 'each', by: 'Ina', at } as const;
    await beginJob(db, { ...head, sheetRevision: 1 });
    jobs.push(id);
  }
  return jobs;
}

/** The number of the last entry of each job. */
const lastOf = new Map<string, number>();

/** A phone for each job: each tap is an event that is sent by itself. Answers how long all of it took, ms. */
async function phones(db: Database, jobs: readonly string[]): Promise<number> {
  const started = performance.now();
  await Promise.all(
    jobs.map(async (job) => {
      for (let i = 0; i < APPENDS; i++) {
        const at = new Date().toISOString();
        const n = (lastOf.get(job) ?? 0) + 1;
        lastOf.set(job, n);
        const event: JobEvent = {
          ...{ type: 'reading.taken', adjuster: 'intake.1', phase: 'again' },
          reading: { go: 250, noGo: 300, how: 'go-no-go' },
          ...{ id: crypto.randomUUID(), job, n, at, by: 'Ina' },
        };
        await appendEvents(db, job, [event], at);
      }
    }),
  );
  return performance.now() - started;
}
