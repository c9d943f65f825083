import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { TestServer } from './support/server';
import { violations } from './support/violations';

const board = (page: Page) => page.getByRole('status').getByRole('heading');

test('the helper’s view: no turn before fingers are clear, stop on both, link lost', async ({
  browser,
}) => {
  const server = await TestServer.start();
  const viewport = { width: 390, height: 844 };
  const unknown = { storageState: { cookies: [], origins: [] } };
  const phones = await Promise.all(
    [{}, unknown].map((phone) => browser.newContext({ viewport, ...phone })),
  );
  const [rockers, helper] = (await Promise.all(phones.map((phone) => phone.newPage()))) as [
    Page,
    Page,
  ];
  const job = new JobPage(rockers);
  await job.toTheWayOn(server.url);
  // From the other end it turns the other way.
  await job.tap(/^I stand at the rear/);
  await expect(job.heading('Bar 360° counterclockwise')).toBeVisible();
  await job.tap(/^I stand at the front/);
  await job.tap('Someone else turns');
  await expect(board(rockers)).toHaveText('Waiting');
  await expect(job.button('Fingers clear: turn')).toBeDisabled();

  // The helper joins by a code of the job, and hangs their own lock first of all.
  await job.tap(/^Ina works/);
  await job.tap(/^A helper joins/);
  const link = await rockers.getByText(/\/pair\?job=.*#[\w-]{22}$/).innerText();
  await job.tap('Done');
  await job.tap('Close');
  await helper.goto(link.replace('Or open ', ''));
  const tap = (name: string) => helper.getByRole('button', { name, exact: true }).click();
  await tap('Pair this phone');
  await helper.getByLabel('Your name').fill('Odd');
  await tap('Pair this phone');
  await expect(helper.getByRole('heading', { name: 'Odd, hang your own lock' })).toBeVisible();
  await tap('Odd: my own lock hangs');
  await helper.getByRole('button', { name: 'Signals are agreed: go on' }).click();
  await expect(board(helper)).toHaveText('Hold');
  await expect(helper.getByText('360° clockwise to mark I')).toBeVisible();
  await expect(board(rockers)).toHaveText('Hold');
  expect(await violations(helper)).toEqual([]);

  await job.tap('Fingers clear: turn');
  await expect(board(helper)).toHaveText('Turn 360° clockwise to mark I');
  await helper.getByRole('button', { name: 'Stop' }).click();
  await expect(board(helper)).toHaveText('STOP');
  await expect(board(rockers)).toHaveText('STOP');

  await job.tap('Fingers clear: turn');
  await expect(board(helper)).toHaveText(/^Turn/);
  await job.tap('Stop');
  await expect(board(helper)).toHaveText('STOP');

  await job.tap('Fingers clear: turn');
  await expect(board(helper)).toHaveText(/^Turn/);
  await phones[1]?.setOffline(true);
  await expect(board(helper)).toHaveText('Link lost: stop, shout');
  await expect(board(rockers)).toHaveText('Link lost: stop, shout');

  // With the link back the turn is not: it needs the word anew.
  await phones[1]?.setOffline(false);
  await expect(board(rockers)).toHaveText('Hold');
  await expect(board(helper)).toHaveText('Hold');
  await job.tap('Fingers clear: turn');
  await expect(board(helper)).toHaveText(/^Turn/);
  await helper.getByRole('button', { name: 'There', exact: true }).click();
  await expect(board(rockers)).toHaveText('There');

  // At the stop the link stays: nothing rings while the valves are read, and no turn is asked.
  await job.tap('There, all as told');
  await expect(job.heading(/^No. \d (intake|exhaust)$/)).toBeVisible();
  await expect(board(helper)).toHaveText('Hold');
  await rockers.waitForTimeout(3000);
  await expect(board(helper)).toHaveText('Hold');
  // Whoever leaves says so: the other one waits, and is not frightened.
  await job.tap('Leave the job; nothing is lost');
  await expect(board(helper)).toHaveText('Waiting');
  for (const phone of phones) await phone.close();
  await server.end();
});
