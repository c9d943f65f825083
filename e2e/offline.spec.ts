import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { appendFileSync, cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { chromium, expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { keptOnPhone } from './support/keptOnPhone';
import { ARGS, CHROMIUM } from './support/chromium';
import { root } from './support/root';
import { TestServer } from './support/server';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'allow' });

test('a whole job with the server stopped, from opening the application to signing @more', async ({
  page,
  context,
}) => {
  const server = await TestServer.start();
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Welder/ })).toBeVisible();
  await keptOnPhone(page);
  await page.close();
  await server.down();

  const again = await context.newPage();
  const job = new JobPage(again);
  await job.start(server.url, 'Welder');
  await job.isDue();
  await job.rest('Overnight', '40');
  await job.openUp();
  await job.see('No. 1 rocks at overlap');
  await job.workThrough('Stop', {
    intake: () => job.keep('0.15', '0.18'),
    exhaust: () => job.keep('0.20', '0.23'),
  });
  await job.workThrough('Once round again', {
    intake: () => job.again(() => job.read('0.15', '0.18')),
    exhaust: () => job.again(() => job.read('0.20', '0.23')),
  });
  await job.finish();
  await expect(again.getByRole('button', { name: /^\d+ unsent/ })).toBeVisible();
  const id = /jobs\/([0-9a-f-]+)/.exec(again.url())?.[1];

  await server.up();
  await expect(again.getByRole('button', { name: /unsent/ })).toHaveCount(0);
  const journal = await (await server.fetch(`/jobs/${id}/events`)).json();
  expect(journal.events.at(-1)).toMatchObject({ type: 'job.signed', name: 'Ina' });
  await server.end();
});

test('the photos of a sheet are at hand in a job without signal @more', async ({
  page,
  context,
}) => {
  const server = await TestServer.start();
  const machines = await (await server.fetch('/machines')).json();
  const { id, sheet } = machines.find(({ name }: { name: string }) => name === 'Welder');
  const { document } = await (await server.fetch(`/sheets/${sheet.id}`)).json();
  const png = readFileSync(join(root, 'app/public/icon-192.png'));
  const sha256 = createHash('sha256').update(png).digest('hex');
  const kept = { method: 'PUT', headers: { 'content-type': 'image/png' }, body: png };
  await server.fetch(`/blobs/${sha256}`, kept);
  const photos = [{ sha256, type: 'image/png', what: 'The marks' }];
  await server.keep('/sheets', { id: sheet.id, document: { ...document, photos } });
  await server.keep(`/machines/${id}`, { sheet: sheet.id, sheetRevision: 2 }, 'PATCH');

  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Welder/ })).toBeVisible();
  await keptOnPhone(page);
  const photosKept = () =>
    page.evaluate(async () => (await (await caches.open('photos')).keys()).length);
  await expect.poll(photosKept).toBe(1);
  await page.close();
  await server.down();

  const again = await context.newPage();
  const job = new JobPage(again);
  await job.start(server.url, 'Welder');
  await job.tap('Ina works. Hand over to another');
  await job.tap('The sheet: order, limits, source');
  await expect(again.getByText('The marks')).toBeVisible();
  const across = () => again.getByRole('img', { name: 'Photo 1' }).evaluate(widthOf);
  await expect.poll(across).toBe(192);
  await server.end();
});

/** How wide a picture is of itself; 0 where it could not be had. */
function widthOf(picture: Element): number {
  return picture instanceof HTMLImageElement ? picture.naturalWidth : 0;
}

test('two phones on one job: seen at once, and the same after one was cut off', async ({
  browser,
}) => {
  const server = await TestServer.start();
  const phones = await Promise.all([0, 1].map(() => browser.newContext()));
  const [one, other] = (await Promise.all(phones.map((phone) => phone.newPage()))) as [Page, Page];
  const job = new JobPage(one);
  // On a slow link the page asks for the job's stream before the server knows of the job.
  await phones[0]?.route('**/api/jobs', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await job.start(server.url, 'Harvest tractor 1');
  await job.isDue();
  await expect(one.getByRole('button', { name: /unsent/ })).toHaveCount(0);
  await other.goto(one.url());
  await expect(other.getByText(/^Ready · step/)).toBeVisible();
  await job.rest('Overnight', '2540');
  await expect(other.getByText(/^Make unable to start · step/)).toBeVisible();

  const tick = (page: Page) => page.getByRole('checkbox').first();
  await tick(one).click();
  await expect(tick(one)).toBeChecked();
  await expect(tick(other)).toBeChecked();

  await phones[1]?.setOffline(true);
  await other.getByRole('checkbox').nth(1).click();
  await expect(other.getByRole('checkbox').nth(1)).toBeChecked();
  await expect(one.getByRole('checkbox').nth(1)).not.toBeChecked();
  await phones[1]?.setOffline(false);
  await expect(one.getByRole('checkbox').nth(1)).toBeChecked();
  await expect(other.getByRole('button', { name: /unsent/ })).toHaveCount(0);
  for (const phone of phones) await phone.close();
  await server.end();
});

test('a browser killed in the middle of a tap keeps what it showed', async () => {
  const server = await TestServer.start();
  const profile = mkdtempSync(join(tmpdir(), 'longbar-profile-'));
  const launch = async () => {
    const context = await chromium.launchPersistentContext(profile, {
      executablePath: CHROMIUM,
      args: ARGS,
    });
    // A phone was paired long before; a browser writes its cookies down within half a minute.
    await server.pairWith(context);
    return context;
  };
  const before = await launch();
  const page = await before.newPage();
  const job = new JobPage(page);
  await job.start(server.url, 'Harvest tractor 1');
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await server.down();
  await job.isDue();
  await job.rest('Overnight', '2540');
  await page.getByRole('checkbox').first().click();
  await expect(page.getByRole('checkbox').first()).toBeChecked();
  const address = page.url();
  // The next tap is under way when the power goes: it is kept whole or not at all.
  void page
    .getByRole('checkbox')
    .nth(1)
    .click()
    .catch(() => undefined);
  await new Promise((resolve) => setTimeout(resolve, 30));
  spawnSync('pkill', ['-9', '-f', profile]);
  await before.close().catch(() => undefined);

  const after = await launch();
  const opened = await after.newPage();
  await opened.goto(address);

  await expect(opened.getByRole('checkbox').first()).toBeChecked();
  // Where it left off the job goes on, and what is shown is what arrives.
  const again = new JobPage(opened);
  await again.tickAll();
  await again.at('Open up');
  await server.up();
  await expect(opened.getByRole('button', { name: /unsent/ })).toHaveCount(0);
  const id = /jobs\/([0-9a-f-]+)/.exec(address)?.[1];
  const { events } = await (await server.fetch(`/jobs/${id}/events`)).json();
  const counts = events.map(({ n }: { n: number }) => n);
  expect(counts).toEqual(counts.map((_: number, i: number) => i + 1));
  await after.close();
  rmSync(profile, { recursive: true, force: true });
  await server.end();
});

test('a new version waits until no job is open on the screen', async ({ page }) => {
  const web = mkdtempSync(join(tmpdir(), 'longbar-web-'));
  cpSync(join(root, 'app/dist'), web, { recursive: true });
  const server = await TestServer.start({ web });
  await page.goto(server.url);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  const job = new JobPage(page);
  await job.start(server.url, 'Harvest tractor 1');
  await page.evaluate(() => Object.assign(window, { before: true }));
  // While the page is loaded anew there is nothing to ask.
  const isBefore = () => page.evaluate(() => 'before' in window).catch(() => undefined);

  appendFileSync(join(web, 'sw.js'), '\n// another version\n');
  const waiting = () =>
    page.evaluate(async () => {
      const registration = await navigator.serviceWorker.ready;
      await registration.update();
      return registration.waiting !== null;
    });
  await expect.poll(waiting).toBe(true);
  await page.waitForTimeout(5000);
  expect(await isBefore()).toBe(true);
  expect(await waiting()).toBe(true);

  await page.getByRole('button', { name: 'Leave the job; nothing is lost' }).click();
  await expect.poll(isBefore).toBe(false);
  await expect(page.getByText('Harvest tractor 1').first()).toBeVisible();
  await server.end();
  rmSync(web, { recursive: true, force: true });
});
