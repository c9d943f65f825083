import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { command } from './support/command';
import { JobPage } from './support/jobPage';
import { root } from './support/root';
import { TestServer } from './support/server';

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

async function picture(page: Page, name: string): Promise<void> {
  // Fonts and the scrolling of the blade row come to rest.
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
}

async function toStopOne(page: Page): Promise<JobPage> {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  return job;
}

test('phone', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Brine pump 2/ }).click();
  await expect(page.getByText('Past jobs')).toBeVisible();
  await picture(page, 'machine');
  await page
    .getByRole('link', { name: /^Record of/ })
    .first()
    .click();
  await expect(page.getByRole('row')).toHaveCount(13);
  await picture(page, 'record');
  const job = await toStopOne(page);
  for (const [enters, stops] of [
    ['0.30', '0.33'],
    ['0.30', '0.33'],
    ['0.30', '0.33'],
  ] as const) {
    await job.keep(enters, stops);
  }
  await job.read('0.50', '0.53');
  await picture(page, 'job-stop');
  await page.emulateMedia({ colorScheme: 'dark' });
  await picture(page, 'job-stop-night');
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Continue the job/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Welder/ })).toBeVisible();
  await picture(page, 'yard');
});

test('first run', async ({ page }) => {
  const empty = await TestServer.start({ empty: true });
  await empty.pairWith(page.context());
  await page.setViewportSize(PHONE);
  await page.goto(empty.url);
  await expect(page.getByText('Or look round first')).toBeVisible();
  await picture(page, 'first-run');
  await empty.end();
});

test('company', async ({ page }) => {
  for (const asked of [
    ['shop', 'North yard'],
    ['company', 'Skerrow', '1', '2'],
  ]) {
    await command(['tools/data.mjs', ...asked], server.data);
  }
  await page.setViewportSize(WIDE);
  await page.goto(`${server.url}/shop/company`);
  for (const name of ['Barge', 'Welder']) {
    await page.getByLabel('Machine', { exact: true }).selectOption(name);
    await page.getByRole('button', { name: `Move ${name} to North yard` }).click();
    await page.getByRole('button', { name: 'Move it' }).click();
    await expect(page.getByText(`${name} is in North yard now.`)).toBeVisible();
  }
  await page.reload();
  await expect(page.getByRole('group', { name: 'North yard' })).toBeVisible();
  await picture(page, 'company');
});

test('wide', async ({ page }) => {
  await page.setViewportSize(WIDE);
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  await picture(page, 'yard-wide');
  await page.getByRole('radio', { name: 'By week' }).click();
  await page.getByRole('button', { name: 'Offer weeks for these' }).click();
  await page.getByRole('button', { name: 'Plan it so' }).click();
  await expect(page.getByText('What has to be there')).toBeVisible();
  await page.mouse.wheel(0, 230);
  await picture(page, 'weeks-wide');
});

test('drift, and the one who turns', async ({ page, browser }) => {
  await page.setViewportSize(PHONE);
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Salt truck 3/ }).click();
  await page.getByRole('button', { name: 'Drift of every valve' }).click();
  await page.getByRole('button', { name: 'Show No. 4 exhaust large' }).click();
  await expect(page.getByText(/^Look again/)).toBeVisible();
  await page.getByText('Drift', { exact: true }).first().scrollIntoViewIfNeeded();
  await picture(page, 'drift');
  const job = new JobPage(page);
  await job.toTheWayOn(server.url);
  await job.tap('Someone else turns');
  const helper = await (await browser.newContext({ viewport: PHONE })).newPage();
  await helper.goto(`${page.url()}/helper`);
  await helper.getByRole('button', { name: 'Signals are agreed: go on' }).click();
  await expect(job.button('Fingers clear: turn')).toBeEnabled();
  await job.tap('Fingers clear: turn');
  await expect(helper.getByRole('heading', { name: /^Turn/ })).toBeVisible();
  await picture(helper, 'job-helper');
});

test('on the way to the next stop', async ({ page }) => {
  await page.setViewportSize(PHONE);
  const job = await toStopOne(page);
  await job.tap(/^Undo: No. 6/);
  await picture(page, 'job-find');
  await job.see('No. 6 intake firm');
  for (let i = 0; i < 3; i++) await job.keep('0.30', '0.33');
  for (let i = 0; i < 3; i++) await job.keep('0.55', '0.58');
  await expect(job.heading('Bar 360° clockwise')).toBeVisible();
  await picture(page, 'job-bar');
});

test('shims', async ({ page }) => {
  await page.setViewportSize(PHONE);
  const job = new JobPage(page);
  await job.start(server.url, 'Salt truck 3', 'Two positions');
  await job.isDue();
  await page.getByRole('radio', { name: 'U6-A' }).click();
  await job.rest('Overnight', '7950');
  await job.openUp();
  await job.toTheLoader(server.url);
  let place = 0;
  const measure = async (blades: readonly [string, string]) => {
    await job.read(...blades);
    await job.tap(/^Shim in it: 2.50 mm$/);
  };
  await job.workThrough('Stop', {
    intake: () => measure(place++ === 0 ? ['0.15', '0.20'] : ['0.25', '0.30']),
    exhaust: () => measure(place++ === 6 ? ['0.45', '0.50'] : ['0.35', '0.40']),
  });
  await expect(page.getByRole('table', { name: 'The sums' })).toBeVisible();
  await picture(page, 'job-shims');
});

test('a sheet being written', async ({ page }) => {
  await page.setViewportSize(WIDE);
  await page.goto(`${server.url}/sheets/new`);
  await page.getByLabel('Name of the engine').fill('Curlew 5');
  await page.getByRole('radio', { name: 'In line, 5 cylinders' }).click();
  await page.getByRole('button', { name: 'Next: Firing order' }).click();
  await picture(page, 'editor-wide');
});

test('the bench', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await page.goto(`${server.url}/bench`);
  await page.getByLabel('Firing order').fill('1-5-3-6-2-4');
  await picture(page, 'bench');
  await page.goto(`${server.url}/bench/why`);
  await page.getByRole('slider').focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('PageUp');
  await page.getByRole('img', { name: /^Section of No/ }).scrollIntoViewIfNeeded();
  await picture(page, 'why');
  await page.goto(`${server.url}/bench/practice`);
  await page.getByRole('button', { name: 'No. 1 intake: not tapped' }).click();
  await picture(page, 'practice');
  await toStopOne(page);
  await page.getByRole('button', { name: /^Hands full/ }).click();
  await picture(page, 'job-hands');
});
