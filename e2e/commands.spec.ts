import { mkdtempSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { get } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { command } from './support/command';
import { JobPage } from './support/jobPage';
import { root } from './support/root';
import { TestServer } from './support/server';

test('the certificate that is made is served by, and trusted by its authority alone', async ({
  browser,
}) => {
  const made = mkdtempSync(join(tmpdir(), 'longbar-tls-'));
  await command(['tools/certificate.mjs'], made);
  const authority = readFileSync(join(made, 'tls/authority.crt'));
  // A second one is signed by the same authority, which the phones trust already.
  await command(['tools/certificate.mjs'], made);
  expect(readFileSync(join(made, 'tls/authority.crt'))).toEqual(authority);

  const server = await TestServer.start({
    certificate: { cert: join(made, 'tls/server.crt'), key: join(made, 'tls/server.key') },
  });
  expect(server.url).toMatch(/^https:/);
  const status = (ca?: Buffer) =>
    new Promise((resolve) => {
      get(`${server.url}/api/health`, { ca }, (answer) => {
        answer.resume();
        resolve(answer.statusCode);
      }).on('error', (error: NodeJS.ErrnoException) => resolve(error.code));
    });
  expect(await status(authority)).toBe(200);
  expect(await status()).toMatch(/SELF_SIGNED|UNABLE_TO_VERIFY/);

  const phone = await browser.newContext({ ignoreHTTPSErrors: true });
  const page = await phone.newPage();
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  await phone.close();
  await server.end();
  rmSync(made, { recursive: true, force: true });
});

test('a backup while the server runs is put back by one command, once it has stopped', async ({
  page,
}) => {
  const server = await TestServer.start();
  const readings = page.getByRole('list', { name: 'Readings of the hour meter' });
  const read = async (hours: string) => {
    await page.goto(server.url);
    await page.getByRole('link', { name: /^Brine pump 2/ }).click();
    await page.getByLabel('Hours on the meter today').fill(hours.replace(',', ''));
    await page.getByRole('button', { name: 'Add the reading' }).click();
    await expect(readings).toContainText(`${hours} h`);
  };
  await read('6,590');
  const backedUp = await command(['tools/data.mjs', 'backup'], server.data);
  const file = /Backed up to (.*)$/m.exec(backedUp.said)?.[1] ?? '';
  await read('6,595');

  const beside = await command(['tools/data.mjs', 'restore', file], server.data);
  expect(beside.failed).toBe(true);
  expect(beside.said).toContain('still runs');
  await server.down();
  const none = await command(['tools/data.mjs', 'restore', join(root, 'README.md')], server.data);
  expect(none.failed).toBe(true);
  const restored = await command(['tools/data.mjs', 'restore', file], server.data);
  expect(restored.said).toContain('Restored from');

  // The phone would send what the backup lacks, so the server is asked by itself.
  const path = `/machines/${/machines\/([0-9a-f-]+)/.exec(page.url())?.[1]}`;
  await page.close();
  await server.up();
  const { readings: kept } = await (await server.fetch(path)).json();
  const hours = kept.map((reading: { hours: number }) => reading.hours);
  expect(hours).toContain(6590);
  expect(hours).not.toContain(6595);
  await server.end();
});

test('after an older backup was put back, each phone sends what it holds and the server lost @more', async ({
  browser,
}) => {
  const server = await TestServer.start();
  const phones = await Promise.all(
    [
      { machine: 'Brine pump 2', hours: '6601' },
      { machine: 'Harvest tractor 1', hours: '2540' },
    ].map(async ({ machine, hours }) => {
      const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
      const job = new JobPage(await context.newPage());
      await job.start(server.url, machine);
      const events = `${new URL(job.page.url()).pathname}/events?after=0`;
      const held = async () => (await (await server.fetch(events)).json()).events?.length ?? 0;
      return { context, job, hours, held, begun: await held() };
    }),
  );
  const backedUp = await command(['tools/data.mjs', 'backup'], server.data);
  const file = /Backed up to (.*)$/m.exec(backedUp.said)?.[1] ?? '';
  const before: number[] = [];
  for (const { job, hours, held, begun } of phones) {
    await job.prepare(hours);
    await expect.poll(held).toBeGreaterThan(begun + 2);
    before.push(await held());
  }

  await server.down();
  await command(['tools/data.mjs', 'restore', file], server.data);
  await server.up();
  for (const [i, { context, job, held }] of phones.entries()) {
    await expect.poll(held).toBeGreaterThanOrEqual(before[i] ?? 0);
    await job.tap('Leave the job; nothing is lost');
    await expect(
      job.page.getByText('put back to an earlier state', { exact: false }),
    ).toBeVisible();
    await expect(job.page.getByRole('button', { name: /unsent|refused/ })).toHaveCount(0);
    await context.close();
  }
  await server.end();
});

test('two starts at once do not build over each other, and one that was killed is no obstacle', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-one-'));
  const [mark, done] = [join(folder, 'mark'), join(folder, 'done')];
  // As a process leaves it that was killed: its number is no more, or is another's now.
  symlinkSync(`${process.pid} 0`, mark);
  const script = `
    import { appendFileSync } from 'node:fs';
    import { onlyOne } from './tools/onlyOne.mjs';
    onlyOne(${JSON.stringify(mark)}, () => {
      appendFileSync(${JSON.stringify(done)}, 'in ');
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 700);
      appendFileSync(${JSON.stringify(done)}, 'out ');
    });`;
  const start = () => command(['--input-type=module', '-e', script], folder);
  const said = await Promise.all([start(), start(), start()]);
  expect(said.map(({ failed }) => failed)).toEqual([false, false, false]);
  expect(readFileSync(done, 'utf8')).toBe('in out in out in out ');
  expect(said.filter(({ said: words }) => /is waited for/.test(words))).toHaveLength(2);
  rmSync(folder, { recursive: true });
});
