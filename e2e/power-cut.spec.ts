import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { root } from './support/root';
import { TestServer } from './support/server';
import { TRIED } from './support/tried';

const BATCH = 20;

/** Hours readings of one job: enough to post for as long as the server lives. */
function events(job: string, from: number) {
  return Array.from({ length: BATCH }, (_, i) => ({
    id: randomUUID(),
    job,
    n: from + i,
    at: new Date().toISOString(),
    by: 'Ina',
    type: 'hours.read',
    hours: 7000 + i,
  }));
}

/** A job at the first machine of the yard, to post events to. */
async function someJob(server: TestServer): Promise<string> {
  const machines = (await (await server.fetch('/machines')).json()) as { id: string }[];
  const job = randomUUID();
  const head = { id: job, machine: machines[0]?.id, method: 'two-position', sheetRevision: 1 };
  await server.keep('/jobs', { ...head, at: new Date().toISOString(), by: 'Ina' });
  return job;
}

/** The ids of every event that the server keeps of a job. */
async function keptBy(server: TestServer, job: string): Promise<Set<string>> {
  const kept = new Set<string>();
  for (let after = 0, more = true; more;) {
    const answer = await server.fetch(`/jobs/${job}/events?after=${after}`);
    const page = (await answer.json()) as {
      events: { id: string }[];
      serial: number;
      more: boolean;
    };
    page.events.forEach(({ id }) => kept.add(id));
    ({ serial: after, more } = page);
  }
  return kept;
}

const ROUNDS = { short: 4, whole: 6, soak: 100 }[TRIED];
/** They are cut in parts, so that two of them run side by side. */
const PARTS = 2;
/** A job has so many rounds: a journal of days is not folded anew for every batch. */
const ROUNDS_A_JOB = 5;

for (let part = 0; part < PARTS; part++) {
  const rounds = ROUNDS / PARTS;
  test(`every acknowledged event survives ${rounds} rounds of kill -9 during load, part ${part + 1}`, () =>
    roundsOfLoad(part * rounds, rounds));
}

async function roundsOfLoad(from: number, rounds: number): Promise<void> {
  test.setTimeout(900_000);
  const server = await TestServer.start({ alone: true });
  let acknowledged = new Set<string>();
  let job = '';
  let total = 0;
  for (let round = from; round < from + rounds; round++) {
    if ((round - from) % ROUNDS_A_JOB === 0) {
      job = await someJob(server);
      acknowledged = new Set();
    }
    let alive = true;
    const post = async (lane: number) => {
      for (let i = 0; alive; i++) {
        try {
          const from = 1 + lane * 10_000 + i * BATCH;
          const answer = await server.send(`/jobs/${job}/events`, events(job, from));
          const { accepted } = (await answer.json()) as { accepted: string[] };
          for (const id of accepted) acknowledged.add(id);
        } catch {
          return;
        }
      }
    };
    const lanes = [0, 1, 2].map(post);
    // Each round the power fails at another moment of the writing, once something was taken.
    const before = acknowledged.size;
    await expect.poll(() => acknowledged.size, { intervals: [5] }).toBeGreaterThan(before);
    await new Promise((resolve) => setTimeout(resolve, (round * 37) % 140));
    await server.down('SIGKILL');
    alive = false;
    await Promise.all(lanes);
    await server.up();
    const kept = await keptBy(server, job);
    expect([...acknowledged].filter((id) => !kept.has(id))).toEqual([]);
    total += acknowledged.size;
  }
  expect(total).toBeGreaterThan(rounds * BATCH);
  await server.end();
}

test('a full disk is said, and loses nothing that was acknowledged @more', async () => {
  const server = await TestServer.start({ alone: true });
  await server.down();
  await server.up({ kilobytes: 4096 });
  const job = await someJob(server);
  const acknowledged = new Set<string>();
  let said = '';
  for (let i = 0; said === '' && i < 400; i++) {
    const answer = await server.send(`/jobs/${job}/events`, events(job, 1 + i * BATCH));
    const body = (await answer.json()) as { accepted?: string[]; error?: { message: string } };
    for (const id of body.accepted ?? []) acknowledged.add(id);
    if (answer.status === 507) said = body.error?.message ?? '';
  }
  expect(said).toContain('The server’s disk is full');
  // It goes on answering; and with room again, everything it took is there and more goes in.
  expect((await server.fetch('/machines')).status).toBe(200);
  await server.down('SIGKILL');
  await server.up();
  const kept = await keptBy(server, job);
  expect(acknowledged.size).toBeGreaterThan(0);
  expect([...acknowledged].filter((id) => !kept.has(id))).toEqual([]);
  expect((await server.send(`/jobs/${job}/events`, events(job, 1))).status).toBe(200);
  await server.end();
});

test('a port in use and a folder that cannot be written get one clear line', async () => {
  const server = await TestServer.start();
  const second = (env: Record<string, string>) =>
    spawnSync(process.execPath, ['tools/run.mjs', 'demo'], {
      cwd: root,
      env: { ...process.env, ...env },
      encoding: 'utf8',
    });
  const inUse = second({ PORT: String(server.port), LONGBAR_DATA: server.data });
  expect(inUse.status).toBe(1);
  expect(inUse.stderr.trim()).toBe(`Port ${server.port} is in use. Set PORT to a free one.`);
  const below = join(server.data, 'longbar.sqlite', 'data');
  await server.down();
  const noFolder = second({ PORT: String(server.port), LONGBAR_DATA: below });
  expect(noFolder.status).toBe(1);
  expect(noFolder.stderr.trim()).toBe(
    `The folder ${below} cannot be written. Set LONGBAR_DATA to one that can.`,
  );
  await server.end();
});
