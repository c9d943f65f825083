import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { Rockers } from './support/rockers';
import { TestServer } from './support/server';
import { violations } from './support/violations';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

test('a stop is worked by three keys alone, in the view for full hands', async ({ page }) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  await page.getByRole('button', { name: /^Hands full/ }).click();
  const view = page.getByRole('region', { name: 'Hands full' });
  const says = view.getByRole('status').first();
  await expect(says).toHaveText('Read No. 1 intake as found');
  for (const zone of await view.getByRole('button').all()) {
    const box = await zone.boundingBox();
    expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(96);
  }
  expect(await violations(page)).toEqual([]);
  // Nobody gets to what lies behind by keys.
  const leave = page.getByRole('button', { name: /^Leave the job/ });
  await expect(leave).toHaveCount(0);
  // Every gap stands at its target: what is thinner enters.
  const gaps = { intake: 0.33, exhaust: 0.58 };
  await page.keyboard.press('ArrowUp');
  for (let taps = 0; taps < 80; taps++) {
    const what = await says.innerText();
    if (what.startsWith('Bar ')) break;
    const stops = view.getByRole('button', { name: /stops$/ });
    const blade = parseFloat(
      (await stops.count()) ? ((await stops.getAttribute('aria-label')) ?? '') : '0',
    );
    const gap = what.includes('exhaust') ? gaps.exhaust : gaps.intake;
    const before = await view.innerText();
    await page.keyboard.press(blade > gap ? 'ArrowLeft' : 'ArrowRight');
    await expect.poll(() => view.innerText()).not.toBe(before);
  }
  await expect(says).toHaveText('Bar 360° clockwise');
  await page.getByRole('button', { name: 'Close the view for full hands' }).click();
  await expect(leave).toBeVisible();
  const id = /jobs\/([0-9a-f-]+)/.exec(page.url())?.[1];
  const dabs = async () => {
    const { events } = await (await server.fetch(`/jobs/${id}/events`)).json();
    return events.filter(({ type }: { type: string }) => type === 'adjuster.painted').length;
  };
  await expect.poll(dabs).toBe(6);
});

test('a pedal and Enter record the work, and never what keeps people safe @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Brine pump 2');
  await job.prepare('6601');
  const isolation = page.getByRole('checkbox').first();
  for (const key of ['Enter', 'PageDown', 'ArrowRight']) {
    await isolation.focus();
    await page.keyboard.press(key);
  }
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  for (const key of ['Enter', 'PageDown']) await page.keyboard.press(key);
  await expect(page.getByRole('checkbox', { checked: true })).toHaveCount(0);
  await isolation.focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('checkbox', { checked: true })).toHaveCount(1);
  await job.openUp();
  await job.found('I', 1, 6);
  await job.at('Stop 1 of 2');
  // At the rockers it presses the very button that is shown.
  await job.read('0.30', '0.33');
  await expect(page.getByRole('button', { name: 'Leave as found' })).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('button', { name: 'Paint dab on the nut' })).toBeVisible();
  // What came before is looked at, and a further step leads back without recording.
  await page.keyboard.press('PageUp');
  await expect(page.getByText(/^Looking at: /)).toBeVisible();
  await page.keyboard.press('PageDown');
  await expect(page.getByText(/^Looking at: /)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Paint dab on the nut' })).toBeVisible();
});

test('a height comes from the gauge, over the wire or typed by it', async ({ page }) => {
  const job = new JobPage(page);
  const truck = { machine: 'Salt truck 3', hours: 7950, tag: 'U6-B' };
  await job.opened(server.url, truck, 'Torque first');
  for (const torque of ['29 N·m', '58 N·m']) await job.runDown(1, 6, torque);
  await job.foundBy('A', new Rockers([1, 4, 2, 6, 3, 5]), 0);
  await expect(job.heading(/^No. \d injector/)).toBeVisible();
  // A pedal takes no height that nobody measured.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('PageDown');
  await expect(job.button(/^Undo: .*injector/)).toHaveCount(0);
  // One that types: what it cannot be is said, and nothing recorded.
  await page.keyboard.type('-70.20');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('set it to zero on the other side');
  // The next figure that it types is heard as the first was.
  await page.keyboard.type('+70.43');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Too high: over 70.30 mm.', { exact: false })).toBeVisible();
  await job.tap(/^Undo/);
  await page.getByRole('button', { name: /^Digital gauge/ }).click();
  await page.getByRole('radio', { name: 'Simulated' }).click();
  await job.tap('Press the gauge’s data button (simulated)');
  await expect(job.button('Undo: No. 4 injector as found 70.20')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Leave as found' })).toBeVisible();
});
