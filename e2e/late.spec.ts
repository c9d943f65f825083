import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { bare, printedRecord } from './support/printedRecord';
import { beginRecorded, unsignedJournalOf } from './support/recordedJob';
import { TestServer } from './support/server';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('a signature given without signal, while another phone had more to say, does not count', async ({
  page,
  context,
}) => {
  const server = await TestServer.start();
  const head = await beginRecorded(server, '00000000-0000-4000-8000-000000000002');
  const events = unsignedJournalOf(head);
  await server.keep(`/jobs/${head.id}/events`, events);

  await page.goto(`${server.url}/jobs/${head.id}`);
  const job = new JobPage(page);
  await job.at('Run and sign');
  await context.setOffline(true);
  const [last] = events.slice(-1);
  const returned = {
    ...{ id: '00000000-0000-4000-8000-000000000003', job: head.id, n: (last?.n ?? 0) + 1 },
    ...{ at: head.at, by: 'Orla', type: 'engine.returned', why: 'hot-run', after: null },
  };
  await page.getByLabel('Your name').fill('Ina');
  await job.tap('Close as incomplete');
  await expect(page.getByText(/Closed as incomplete|Signed/).first()).toBeVisible();

  await server.keep(`/jobs/${head.id}/events`, [returned]);
  await context.setOffline(false);
  await expect(page.getByText('That signature does not count', { exact: false })).toBeVisible();
  await job.at('Ready');

  // The screen of its record and the paper say the same of it.
  await page.goto(`${server.url}/jobs/${head.id}/record`);
  const words = page.getByText(/^A signature that does not count, .*Ina/);
  await expect(words).toBeVisible();
  await expect(page.getByText('Not signed: this job is still open.')).toBeVisible();
  const printed = await printedRecord(server, head.id);
  expect(printed.words).toContain(bare(await words.innerText()));
  expect(printed.words).toContain(bare('Not signed: this job is still open.'));
  await server.end();
});
