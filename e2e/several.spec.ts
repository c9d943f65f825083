import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { beginRecorded, unsignedJournalOf } from './support/recordedJob';
import { root } from './support/root';
import { TestServer } from './support/server';
import { TRIED } from './support/tried';

const PHONES = 8;
const ROUNDS = TRIED === 'soak' ? 120 : 2;
/** So often the database is killed, and not one of the processes. */
const DATABASE_EVERY = TRIED === 'soak' ? 6 : 2;

/** The processes that one began whose command has these words. */
function begunBy(parent: number, words: string): number[] {
  return readdirSync('/proc').flatMap((name) => {
    const pid = Number(name);
    if (!Number.isInteger(pid)) return [];
    try {
      const [, , , of] = readFileSync(`/proc/${pid}/stat`, 'utf8')
        .replace(/\(.*\)/, '')
        .split(' ');
      const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      return Number(of) === parent && command.includes(words) ? [pid] : [];
    } catch {
      // It ended meanwhile.
      return [];
    }
  });
}

const event = (job: string, n: number) => ({
  ...{ id: randomUUID(), job, n, at: new Date().toISOString(), by: 'Ina' },
  ...{ type: 'hours.read', hours: 7000 + (n % 100) },
});

/** Sends an event until it is taken, as a phone does; answers its id. */
async function sent(server: TestServer, job: string, n: number): Promise<string> {
  const one = event(job, n);
  for (;;) {
    const answer = await server.send(`/jobs/${job}/events`, [one]).catch(() => undefined);
    if (answer?.ok) return one.id;
    // What is wrong with the event itself would be wrong for ever.
    if (answer)
      expect([n, answer.status, await answer.text()]).toEqual([n, 503, expect.anything()]);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

async function allOf(server: TestServer, job: string): Promise<string[]> {
  const ids: string[] = [];
  for (let after = 0, more = true; more;) {
    const page = await (await server.fetch(`/jobs/${job}/events?after=${after}`)).json();
    ids.push(...page.events.map(({ id }: { id: string }) => id));
    ({ serial: after, more } = page);
  }
  return ids;
}

/** A phone that follows a job hears of it, though each process that may have told it has died. */
async function hearsOfAJob(server: TestServer, page: Page): Promise<void> {
  const head = await beginRecorded(server, randomUUID());
  await page.goto(`${server.url}/jobs/${head.id}`);
  const job = new JobPage(page);
  await job.at('Why');
  for (const each of begunBy(server.pid, 'oneOfSeveral')) process.kill(each, 'SIGKILL');
  const events = unsignedJournalOf(head);
  const taken = async () => (await server.send(`/jobs/${head.id}/events`, events)).ok;
  await expect.poll(taken).toBe(true);
  await job.at('Run and sign');
}

test('eight phones lose nothing where processes whose clocks are apart or the database are killed @more', async ({
  page,
}) => {
  const server = await TestServer.start({ postgres: true, clocksApart: true });
  const [machine] = await (await server.fetch('/machines')).json();
  let total = 0;
  for (let round = 1; round <= ROUNDS; round++) {
    // Of one job they are kept one after the other, of two together.
    const jobs = [randomUUID(), randomUUID()];
    for (const id of jobs) {
      const head = { id, machine: machine.id, method: 'two-position', sheetRevision: 1 };
      await server.keep('/jobs', { ...head, at: new Date().toISOString(), by: 'Ina' });
    }
    let over = false;
    const phones = Array.from({ length: PHONES }, async (_, phone) => {
      const ids: string[] = [];
      const job = jobs[phone % jobs.length]!;
      while (!over) ids.push(await sent(server, job, 1 + phone * 1000 + ids.length));
      return ids;
    });
    await new Promise((resolve) => setTimeout(resolve, 150 + ((round * 37) % 140)));
    const ofDatabase = round % DATABASE_EVERY === 0;
    const words = ofDatabase ? 'postgres/data' : 'oneOfSeveral';
    const [victim] = begunBy(server.pid, words);
    expect(victim).toBeGreaterThan(0);
    process.kill(victim!, 'SIGKILL');
    await new Promise((resolve) => setTimeout(resolve, 300));
    over = true;
    const acknowledged = (await Promise.all(phones)).flat();
    const kept = (await Promise.all(jobs.map((job) => allOf(server, job)))).flat();
    expect(new Set(kept).size).toBe(kept.length);
    expect(kept.toSorted()).toEqual(acknowledged.toSorted());
    total += acknowledged.length;
    await expect.poll(() => begunBy(server.pid, 'oneOfSeveral').length).toBe(3);
  }
  // A round in which the database comes back may keep no more than one of each phone.
  expect(total).toBeGreaterThanOrEqual(ROUNDS * PHONES);
  // The application is the same, whichever of them answers.
  const shops = spawnSync(process.execPath, ['tools/data.mjs', 'shops'], {
    cwd: root,
    env: { ...process.env, LONGBAR_DATA: server.data },
    encoding: 'utf8',
  });
  expect(shops.stdout).toContain('1  Skerrow Saltworks (machines: 8, people: 2)');
  await server.pairWith(page.context());
  await page.goto(server.url);
  await expect(page.getByText('Salt truck 3').first()).toBeVisible();
  await hearsOfAJob(server, page);
  const { pid } = server;
  const began = ['oneOfSeveral', 'postgres/data'].flatMap((words) => begunBy(pid, words));
  expect(began).toHaveLength(4);
  await server.end();
  for (const each of began) expect(() => process.kill(each, 0)).toThrow();
});
