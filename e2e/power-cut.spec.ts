import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { root, TestServer } from './support/server';

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

test('every acknowledged event survives kill -9 while events are being posted', async () => {
  const server = await TestServer.start();
  const send = (path: string, body: unknown) =>
    fetch(`${server.url}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  const machines = (await (await fetch(`${server.url}/api/machines`)).json()) as { id: string }[];
  const job = randomUUID();
  const head = { id: job, machine: machines[0]?.id, method: 'two-position', sheetRevision: 1 };
  await send('/jobs', { ...head, at: new Date().toISOString(), by: 'Ina' });
  const acknowledged = new Set<string>();
  for (let round = 0; round < 5; round++) {
    let alive = true;
    const post = async (lane: number) => {
      for (let i = 0; alive; i++) {
        try {
          const answer = await send(
            `/jobs/${job}/events`,
            events(job, 1 + lane * 10_000 + i * BATCH),
          );
          const { accepted } = (await answer.json()) as { accepted: string[] };
          for (const id of accepted) acknowledged.add(id);
        } catch {
          return;
        }
      }
    };
    const lanes = [0, 1, 2].map(post);
    await new Promise((resolve) => setTimeout(resolve, 300));
    await server.down('SIGKILL');
    alive = false;
    await Promise.all(lanes);
    await server.up();
    const kept = new Set<string>();
    for (let after = 0, more = true; more;) {
      const page = (await (
        await fetch(`${server.url}/api/jobs/${job}/events?after=${after}`)
      ).json()) as {
        events: { id: string }[];
        serial: number;
        more: boolean;
      };
      page.events.forEach(({ id }) => kept.add(id));
      ({ serial: after, more } = page);
    }
    expect([...acknowledged].filter((id) => !kept.has(id))).toEqual([]);
  }
  expect(acknowledged.size).toBeGreaterThan(0);
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
  const noFolder = second({ PORT: '0', LONGBAR_DATA: below });
  expect(noFolder.status).toBe(1);
  expect(noFolder.stderr.trim()).toBe(
    `The folder ${below} cannot be written. Set LONGBAR_DATA to one that can.`,
  );
  await server.end();
});
