import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobEvent } from '@longbar/core';
import sqlite from 'sqlite3';
import { loadDemo } from '../server/src/demo/loadDemo';
import { MACHINES } from '../server/src/demo/yard';
import type { Database } from '../server/src/store/sql/database';
import { openDatabase } from '../server/src/store/sql/database';
import { appendEvents } from '../server/src/store/journal/appends';
import { beginJob } from '../server/src/store/journal/jobs';
import type { Line } from './line';

const BATCH = 20;
const ROUNDS = 200;

/** Appending a phone's events to an open job beside the same rows by bare statements. */
export async function appendLines(): Promise<Line[]> {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-append-'));
  const db = await openDatabase(folder);
  try {
    await loadDemo(db, new Date());
    return [await appendLine(db, folder)];
  } finally {
    await db.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Turn and turn about, so that what else the machine does weighs on both. */
async function appendLine(db: Database, folder: string): Promise<Line> {
  const bare = await openBare(join(folder, 'longbar.sqlite'));
  const [job, other] = [await openJob(db, 1), await openJob(db, 2)];
  let made = 0;
  const batchOf = (of: string): JobEvent[] =>
    Array.from({ length: BATCH }, () => ({
      type: 'reading.taken',
      adjuster: 'intake.1',
      phase: 'again',
      reading: { go: 250, noGo: 300, how: 'go-no-go' },
      id: idOf(9, ++made),
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
  await bare.close();
  const rate = (ms: number) => Math.round((1000 * ROUNDS * BATCH) / ms);
  return {
    what: `appending events, ${BATCH} at a time, against bare statements as durable`,
    figure: `${(spent.bare / spent.ours).toFixed(2)} (${rate(spent.ours)} a second, bare ${rate(spent.bare)})`,
    wanted: 'at least 0.75',
    held: spent.bare / spent.ours >= 0.75,
  };
}

const idOf = (kind: number, n: number) =>
  `${n.toString(16).padStart(8, '0')}-0000-4000-9000-${kind.toString(16).padStart(12, '0')}`;

async function openJob(db: Database, n: number): Promise<string> {
  const machine = MACHINES[n];
  if (!machine) throw new Error('The demo has no such machine.');
  const id = idOf(8, n);
  const at = new Date().toISOString();
  await beginJob(db, { id, machine: machine.id, method: 'each', sheetRevision: 1, at, by: 'Ina' });
  return id;
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
    'INSERT INTO events (shop, id, job, n, body, receivedAt) VALUES (1, ?, ?, ?, ?, ?)',
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
