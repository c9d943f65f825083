import * as v from 'valibot';
import type { JobEvent } from '@longbar/core';
import { formatDay } from '@longbar/core';
import { buildSync } from 'esbuild';
import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoDatabase } from '../test-support/demoDatabase';
import { NOW } from '../test-support/now';
import { MACHINES } from './demo/yard';
import { LongJobs } from './longJobs';
import type { Database } from './store/sql/database';
import { appendEvents } from './store/journal/appends';
import { beginJob } from './store/journal/jobs';
import { listMachines } from './store/derived/machines';
import { listSetAside } from './store/setAside';
import { summarise } from './jobRead/summary';

const TODAY = '2026-11-23';
const folder = mkdtempSync(join(tmpdir(), 'longbar-long-'));
const script = join(folder, 'longJob.mjs');
beforeAll(() => {
  buildSync({
    entryPoints: [join(__dirname, 'longJob.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    alias: { '@longbar/core': join(__dirname, '../../core/src/index.ts') },
    outfile: script,
  });
});
afterAll(() => rmSync(folder, { recursive: true }));

const begun: ChildProcess[] = [];
const begin = (file: string) => () => {
  const child = fork(file, { execArgv: [] });
  begun.push(child);
  return child;
};

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** A job of so many entries at the first machine. */
async function jobOf(db: Database, n: number, entries: number): Promise<void> {
  const job = uuid(n);
  const machine = MACHINES[0]!.id;
  const at = NOW.toISOString();
  await beginJob(db, { id: job, machine, method: 'each', sheetRevision: 1, by: 'Ina', at });
  const events = Array.from({ length: entries }, (_, i): JobEvent => {
    const text = `Entry ${i + 1}`;
    return { id: uuid(n * 10_000 + i), job, n: i + 1, at, by: 'Ina', type: 'machine.noted', text };
  });
  await appendEvents(db, job, events, at);
}

const read = (db: Database) =>
  db.whole.rows(
    v.object({ job: v.string(), summary: v.string() }),
    'SELECT job, summary FROM job_reads WHERE job IN ($1, $2) ORDER BY job',
    [uuid(1), uuid(2)],
  );

it('a long job is read in a process of its own, as it would be read here', async () => {
  const jobs = new LongJobs(begin(script));
  const asked = jest.fn(jobs.summarise);
  const { db, end } = await demoDatabase(asked);
  try {
    expect(begun).toHaveLength(0);
    await jobOf(db, 1, 600);
    await listMachines(db, TODAY);
    expect(begun).toHaveLength(1);
    const long = asked.mock.calls.find(([{ id }]) => id === uuid(1))!;
    const here = JSON.parse(JSON.stringify(summarise(...long).summary));
    const [row] = await read(db);
    expect(JSON.parse(row!.summary)).toEqual(here);
    expect(here.notes).toHaveLength(600);
  } finally {
    jobs.close();
    await end();
  }
});

it('one that takes too long is given up and named, and everything else goes on', async () => {
  const endless = join(folder, 'endless.mjs');
  writeFileSync(endless, `process.on('message', () => { for (;;); });`);
  const jobs = new LongJobs(begin(endless), 300);
  const { db, end } = await demoDatabase(jobs.summarise);
  try {
    await jobOf(db, 1, 600);
    await jobOf(db, 2, 5);
    expect(await listMachines(db, TODAY)).toHaveLength(MACHINES.length);
    const [long, short] = await read(db);
    expect(long).toMatchObject({ summary: '{}' });
    expect(JSON.parse(short!.summary).notes).toHaveLength(5);
    expect(await listSetAside(db)).toEqual([
      expect.objectContaining({
        name: `The job at ${MACHINES[0]!.name} of ${formatDay(TODAY)}`,
        why: expect.stringContaining('takes longer than 0.3 s'),
      }),
    ]);
    expect(begun.at(-1)?.killed).toBe(true);
  } finally {
    jobs.close();
    await end();
  }
});

it('a process that ended while nobody asked it is begun anew', async () => {
  const jobs = new LongJobs(begin(script));
  const { db, end } = await demoDatabase(jobs.summarise);
  try {
    await jobOf(db, 1, 600);
    await listMachines(db, TODAY);
    const first = begun.at(-1)!;
    const ended = new Promise((resolve) => first.once('exit', resolve));
    first.kill('SIGKILL');
    await ended;
    await jobOf(db, 2, 600);
    await listMachines(db, TODAY);
    expect(begun.at(-1)).not.toBe(first);
    expect(JSON.parse((await read(db))[1]!.summary).notes).toHaveLength(600);
    expect(await listSetAside(db)).toEqual([]);
  } finally {
    jobs.close();
    await end();
  }
});
