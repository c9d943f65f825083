import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { TestServer } from './support/server';
import { cutOffAt } from './support/violations';

/** What the trade asks of the screens at the rockers, by thumb. */
let server: TestServer;

test.use({ viewport: { width: 390, height: 844 } });
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

test('at the first valve: how to settle it, doubt at any time, the adapter at the nut @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  const settle = page.getByText('Settle it first', { exact: false });
  await expect(settle).toContainText('push the rocker down');
  await job.tap(/^Doubt this one/);
  await expect(page.getByText('Doubted: it is read again on the round.')).toBeVisible();
  await job.read('0.30', '0.33');
  await expect(job.button('Leave as found')).toBeVisible();
  expect(await cutOffAt(page, { width: 360, height: 740 })).toEqual([]);
  await job.tap('Leave as found');
  await job.paint();
  await expect(settle).toHaveCount(0);

  // What a reading asks for: the way of the screw, and the wrench with its adapter.
  await job.read('0.38', '0.40');
  await expect(page.getByText(/^Turn in about 1\/\d+ turn/)).toBeVisible();
  await job.tap('With a torque adapter');
  await page.getByLabel('Wrench, drive to hand, mm').fill('400');
  await page.getByLabel('Adapter, drive to nut, mm').fill('60');
  await expect(job.heading('Wrench at 40 N·m (29.5 lb·ft)')).toBeVisible();
  expect(await cutOffAt(page, { width: 360, height: 740 })).toEqual([]);

  // As left is copied from what was left, never from what was found.
  // A blade that is tapped on the row of before the lock is no reading: neither as found, nor as left.
  await job.settled();
  await page.evaluate(() => {
    const press = (name: string) => {
      const button = document.querySelector<HTMLElement>(`button[aria-label^="${name}"]`);
      if (!button) throw new Error(`There is no ${name}.`);
      button.click();
    };
    press('Adjusted, locked at');
    press('0.35 mm: not tried');
  });
  await expect(page.getByText('Locked. Read again:')).toBeVisible();
  await job.settled();
  await expect(job.button(/^Undo: .* locked/)).toBeVisible();
  await expect(job.button(/: (enters|stops)$/)).toHaveCount(0);
  await expect(job.button(/^Same as/)).toHaveCount(0);

  // With inch blades in hand which one to try is told by what stands on them.
  await job.tap(/^Blades: /);
  await page.getByRole('radio', { name: 'inch set' }).click();
  await job.tap(/^11 thou: not tried/);
  await job.tap(/^16 thou: not tried/);
  await job.tap(/^16 thou: enters/);
  await expect(page.getByText('Not settled yet: try 15 thou.', { exact: false })).toBeVisible();
  await expect(page.getByText('11 to 15 thou, cold')).toBeVisible();
});

test('the sheet, the map and the direction as one stands, and a screen that stays on', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const asked: string[] = [];
    Object.assign(window, { asked });
    Object.defineProperty(navigator, 'wakeLock', {
      value: {
        request: (type: string) => {
          asked.push(type);
          return Promise.resolve({ release: () => Promise.resolve() });
        },
      },
    });
  });
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  const asked = () => page.evaluate(() => (window as unknown as { asked: string[] }).asked.length);
  const before = await asked();
  expect(before).toBeGreaterThan(0);
  // The browser takes the lock back whenever the page is out of sight.
  await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
  expect(await asked()).toBe(before + 1);

  await job.tap(/works. Hand over/);
  await page.getByRole('radio', { name: 'From the far side' }).click();
  await job.tap('Close');
  await expect(page.getByText(/^(FRONT|REAR)$/)).toHaveText(['REAR', 'FRONT']);

  await job.tap(/works. Hand over/);
  await job.tap('The sheet: order, limits, source');
  for (const fact of ['Firing order 1-5-3-6-2-4.', 'No. 1 is at the front.']) {
    await expect(page.getByText(fact)).toBeVisible();
  }
  await expect(page.getByText(/last checked 2 May 2026, \d+ (months|years) ago/)).toBeVisible();
  await job.tap('Back to the job');
  await job.at('Stop 1 of 2');
});
