import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { Rockers } from './support/rockers';
import { TestServer } from './support/server';
import { shiftDate } from './support/shiftDate.mjs';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

const SIX = [1, 5, 3, 6, 2, 4];
const TRUCK = [1, 4, 2, 6, 3, 5];

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

/** The six opened, nothing known of its crank yet. */
const openSix = (job: JobPage) => job.opened(server.url, { machine: 'Brine pump 2', hours: 6601 });

for (const at of [217, 655]) {
  test(`the truck is found by any rocker from ${at}°, and nothing is lit before a stop @more`, async ({
    page,
  }) => {
    const job = new JobPage(page);
    const truck = { machine: 'Salt truck 3', hours: 7950, tag: 'U6-A' };
    await job.opened(server.url, truck, 'Torque first');
    for (const torque of ['29 N·m', '58 N·m']) await job.runDown(1, 6, torque);
    await job.at('Find position');
    await expect(page.getByRole('button', { name: /set here/ })).toHaveCount(0);
    await job.feelUntilTold(new Rockers(TRUCK), at);
    await job.at('Stop \\d+ of 8');
    // The way on is told from where it truly stands, and what is seen there.
    await expect(job.heading(/^Bar \d+° clockwise$/)).toBeVisible();
    await expect(page.getByText(/^(To mark|Slowly, until)/).first()).toBeVisible();
    await job.barred();
    await expect(page.getByRole('button', { name: /set here/ }).first()).toBeVisible();
  });
}

test('a tight valve at the mark is named as the odd one, and worked on', async ({ page }) => {
  const job = new JobPage(page);
  await openSix(job);
  await job.see('Mark I at the pointer');
  await job.feelUntilTold(new Rockers(SIX, ['exhaust.1']), 0);
  await job.at('Stop 1 of 2');
  await page.getByRole('button', { name: /^Cylinder 1\./ }).click();
  await expect(
    page.getByRole('button', { name: /No. 1 exhaust: set here, the odd one/ }),
  ).toBeVisible();
  await expect(job.heading('No. 1 exhaust')).toBeVisible();
  await job.read('0.35', '0.40');
  await expect(page.getByText(/^Tight: /)).toBeVisible();
});

test('past the mark of an engine that must not go back: so many degrees, or nobody knows @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.toTheWayOn(server.url);
  await expect(page.getByText('Never backwards on this engine.', { exact: false })).toBeVisible();
  await job.tap('Went past it');
  await page.getByLabel('Degrees past, about').fill('30');
  await job.tap('About 30° past');
  // It is not taken for the stop: nothing is lit, and the rockers are asked.
  await expect(job.heading('Where does it stand?')).toBeVisible();
  await expect(page.getByRole('button', { name: /set here/ })).toHaveCount(0);
  await job.feelUntilTold(new Rockers(SIX), 390);
  await expect(job.heading(/^Bar \d+° clockwise$/)).toBeVisible();
  await job.tap('Went past it');
  await job.tap('Nobody knows how far past');
  await job.at('Find position');
  await expect(page.getByText('It may stand anywhere.', { exact: false })).toBeVisible();
});

test('somebody may have turned it during a break: asked, and what was read is kept @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  await job.keep('0.30', '0.33');
  await expect(page.getByRole('button', { name: /No. 1 intake: .*finished/ })).toBeVisible();
  await page.addInitScript(shiftDate, 12 * 60_000);
  await page.reload();
  await expect(job.heading('Where was I?')).toBeVisible();
  await expect(page.getByRole('button', { name: /set here/ })).toHaveCount(0);
  await job.tap('It may have been turned: find position');
  await job.at('Find position');
  await job.found('I', 6, 1);
  // On the other turn the other half is set first; what was read at the first stays.
  await expect(job.heading('No. 5 intake')).toBeVisible();
  await expect(page.getByRole('button', { name: /No. 1 intake: .*finished/ })).toBeVisible();
});

test('a hot engine is run again: isolated, opened and found anew @more', async ({ page }) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Barge', 'Each cylinder');
  await job.isDue();
  await page.getByRole('radio', { name: 'Ran 45 min' }).click();
  await page.getByRole('radio', { name: 'Shut down 5 min ago' }).click();
  await page.getByLabel('What the hour meter shows').fill('3380');
  await job.tap(/^Record .* h$/);
  await job.openUp();
  await job.found('OT 1-6', 1, 6);
  await job.keep('0.40', '0.45');
  await job.tap(/^Step 2: Ready/);
  await job.tap('It must run or move in between');
  await expect(job.button('Run it hot again')).toBeDisabled();
  await page.getByRole('checkbox', { name: 'Bar and pins are out of the engine' }).click();
  await page.getByRole('checkbox', { name: 'Ina: clear' }).click();
  await job.tap('Run it hot again');
  await job.at('Ready');
  await page.getByRole('radio', { name: 'Ran 45 min' }).click();
  await page.getByRole('radio', { name: 'Shut down Just now' }).click();
  await job.at('Make unable to start');
  await job.openUp();
  await job.at('Find position');
  await expect(page.getByText('It may stand anywhere.', { exact: false })).toBeVisible();
});

test('hours of a job are held against what the meter showed since the last check @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Brine pump 2');
  await job.isDue();
  await page.getByRole('radio', { name: 'Overnight' }).click();
  const shows = page.getByLabel('What the hour meter shows');
  // Above the last check's 6,021 h, and below what was read last week.
  await shows.fill('6550');
  await expect(page.getByText(/^The meter showed 6,583 h on .* already/)).toBeVisible();
  await expect(job.button('Record 6,550 h, it is so')).toBeVisible();
  await shows.fill('66010');
  await expect(page.getByText(/is more than there are/)).toBeVisible();
  await shows.fill('6601');
  await expect(page.getByRole('checkbox', { name: 'It was replaced or reset' })).toHaveCount(0);
  await expect(job.button('Record 6,601 h')).toBeEnabled();
  // Who has looked again is believed, and the machine says that two readings cannot both be.
  await shows.fill('6550');
  await job.tap('Record 6,550 h, it is so');
  await job.at('Make unable to start');
  await job.settled();
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Brine pump 2/ }).click();
  await expect(page.getByText(/^6,550 h on .* is less than the 6,583 h on /)).toBeVisible();
});

test('a meter that was replaced is no dead end @more', async ({ page }) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Brine pump 2');
  await job.isDue();
  await page.getByRole('radio', { name: 'Overnight' }).click();
  await page.getByLabel('What the hour meter shows').fill('12');
  await expect(page.getByText(/^The meter showed 6,583 h on .* already/)).toContainText(
    'the meter was replaced or reset',
  );
  await page.getByRole('checkbox', { name: 'It was replaced or reset' }).click();
  await job.tap('Record 12 h');
  await job.at('Make unable to start');
});
