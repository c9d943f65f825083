import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { Rockers } from './support/rockers';
import { TestServer } from './support/server';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
// Whole jobs, tap by tap.

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

test('only the injectors: nothing else is asked for, and the valves stay due @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Salt truck 3', 'Two positions');
  await job.isAbout({ not: ['Valves', 'Brakes'] });
  await expect(page.getByText('What is left out is named in the record')).toBeVisible();
  await job.isDue();
  await page.getByRole('radio', { name: 'U6-B' }).click();
  await job.rest('Overnight', '7950');
  await job.tickAll();
  await job.at('Open up');
  await job.tap('Covers off, all noted');
  await job.at('Torque first');
  await job.runDown(1, 6, '29 N·m');
  await job.runDown(1, 6, '58 N·m');
  await job.foundBy('A', new Rockers([1, 4, 2, 6, 3, 5]), 0);
  const asked: string[] = [];
  await job.workThrough('Stop', {
    injector: async () => {
      asked.push(await page.getByRole('heading').nth(1).innerText());
      await job.tap('Read 70.20 mm');
      await job.tap('Leave as found');
      await job.paint();
    },
  });
  expect(new Set(asked).size).toBe(6);
  await job.workThrough('Once round again', {
    injector: () => job.again(() => job.tap('Read 70.20 mm')),
  });
  const bolts = [1, 2, 3, 4, 5, 6, 7, 8];
  await job.finish(
    ['6 N·m (4.4 lb·ft)', '12 N·m (8.9 lb·ft)'].flatMap((torque) =>
      bolts.map((n) => `Fastener ${n} is at ${torque}`),
    ),
  );
  await expect(page.getByText(/engine brakes stay due/)).toBeVisible();
  await job.tap('Open the record');
  await expect(page.getByText(/^Only the injectors\. Still due:/)).toBeVisible();
  const row = page.getByRole('row').filter({ hasText: 'No. 2 brake' });
  await expect(row).toContainText('not part of this job');
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Salt truck 3/ }).click();
  await expect(
    page.getByText(/Only the .*engine brakes: the rest was checked since/),
  ).toBeVisible();
  await expect(page.getByText(/only the injectors, 6 of 6 finished/)).toBeVisible();
});

test('a check only: nothing is offered to be set, and what is outside stays due @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Brine pump 2');
  await job.isAbout({ checkOnly: true });
  await job.prepare('6601');
  await job.openUp();
  await job.found('I', 1, 6);
  await job.at('Stop 1 of 2');
  await job.read('0.15', '0.20');
  await job.tap('Looked: it is so');
  await expect(page.getByText(/It is only checked: leave it as it is\./)).toBeVisible();
  await expect(job.button(/Adjusted|Set anyway/)).toHaveCount(0);
  await job.tap('Checked, leave as found');
  const check = (enters: string, stops: string) => async () => {
    await job.read(enters, stops);
    await job.tap('Checked, leave as found');
  };
  await job.workThrough('Stop', {
    intake: check('0.30', '0.33'),
    exhaust: check('0.55', '0.58'),
  });
  await job.workThrough('Once round again', {
    intake: () => job.again(() => job.read('0.15', '0.20')),
    exhaust: () => job.again(() => job.read('0.55', '0.58')),
  });
  await job.finish([], 'Close as incomplete');
  await expect(page.getByText('Signed as incomplete')).toBeVisible();
  await job.tap('Open the record');
  await expect(page.getByText('Everything, read and not set')).toBeVisible();
});
