import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { bare, printedRecord } from './support/printedRecord';
import { TestServer } from './support/server';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('what two phones set without hearing of each other is locked and read once more @more', async ({
  page,
  context,
}) => {
  const server = await TestServer.start();
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  const id = /jobs\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
  const begun = await (await server.fetch(`/jobs/${id}/events`)).json();
  const [last] = begun.events.slice(-1);

  await context.setOffline(true);
  const name = await job.heading(/^No\. 1 /).innerText();
  const [, kind] = /^No\. 1 (\w+)$/.exec(name) ?? [];
  await job.read('0.30', '0.33');
  await job.tap('Set anyway');
  await job.tap(/^Adjusted, locked at /);
  await expect(page.getByText('Locked. Read again:')).toBeVisible();

  const act = { job: id, at: last.at, by: 'Orla', adjuster: `${kind}.1` };
  const reading = { go: 250, noGo: 300, how: 'go-no-go' };
  await server.keep(`/jobs/${id}/events`, [
    {
      ...{ ...act, id: '00000000-0000-4000-8000-000000000001', n: last.n + 1, knew: [] },
      ...{ type: 'reading.taken', phase: 'found', reading },
    },
    {
      ...{ ...act, id: '00000000-0000-4000-8000-000000000002', n: last.n + 2 },
      ...{ type: 'adjuster.locked', how: 'feel', knew: ['00000000-0000-4000-8000-000000000001'] },
    },
  ]);
  await context.setOffline(false);
  const apart = page.getByText(/^It was set from two phones, and neither had heard of the other/);
  await expect(apart).toBeVisible();
  await expect(page.getByText('Locked. Read again:')).toHaveCount(0);

  await job.tap(/^Adjusted, locked at /);
  await expect(apart).toHaveCount(0);
  await job.read('0.33', '0.35');
  await job.paint();
  await job.settled();
  await page.goto(`${server.url}/jobs/${id}/record`);
  // By the phones' clocks Orla's reading was the earlier one.
  const told = page.getByText(
    /read as found once more, on a phone that had not heard of it: 0\.30.*by Ina/,
  );
  await expect(told).toBeVisible();
  // The paper says the same as the screen.
  const { words } = await printedRecord(server, id);
  expect(words).toContain(bare(await told.innerText()));
  await server.end();
});
