import type { JobAct, JobEvent } from '@longbar/core';
import { expect, type Page, test } from '@playwright/test';
import { ARGS, CHROMIUM } from './support/chromium';
import { JobPage } from './support/jobPage';
import { beginRecorded, journalOf } from './support/recordedJob';
import { TestServer } from './support/server';

/** Noise gone? Ten seconds at idle before the work and after it, by microphone and from a file. */
let server: TestServer;

test.use({
  viewport: { width: 390, height: 844 },
  launchOptions: {
    executablePath: CHROMIUM,
    // The microphone hears the tractor that ticks.
    args: [
      ...ARGS,
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${process.env.LONGBAR_E2E_SOUNDS}/before.wav`,
    ],
  },
});
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

const take = async (page: Page, file: Parameters<typeof page.setInputFiles>[1]) => {
  const asked = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Take a sound file' }).click();
  await (await asked).setFiles(file);
};
const clip = (name: string) => `${process.env.LONGBAR_E2E_SOUNDS}/${name}.wav`;

test('a tick is recorded before the work, and is in the job for whoever comes next @more', async ({
  page,
  context,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Harvest tractor 1');
  await page.getByRole('radio', { name: 'A symptom' }).click();
  await page.getByLabel('What is heard, felt or seen').fill('Ticks at idle');
  await job.tap('Record ten seconds');
  await expect(page.getByRole('alert')).toContainText('The microphone was not allowed');

  await context.grantPermissions(['microphone']);
  await job.tap('Record ten seconds');
  await expect(page.getByRole('status').filter({ hasText: 'Recording: ' })).toBeVisible();
  await job.tap('Cancel');
  await expect(job.button('Record ten seconds')).toBeVisible();
  await job.tap('Record ten seconds');
  const told = page.getByText(/^Before: At 6\d\d rpm one thing ticks once in two turns/);
  // A machine that is held up hears less than ten seconds, and the page says so: then a file helps.
  const lost = page.getByRole('alert').filter({ hasText: 'Some of the sound was lost' });
  await expect(told.or(lost)).toBeVisible();
  if (await lost.isVisible()) await take(page, clip('before'));
  await expect(told).toBeVisible();
  await expect(page.getByText(/^It cannot say which cylinder it is, nor what/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Before: 1 s of the sound/ })).toBeVisible();

  await job.tap('Continue');
  await job.settled();
  await page.reload();
  await expect(job.button(/^Undo: /)).toBeVisible();
  await expect
    .poll(async () => {
      const machines = await (await server.fetch('/machines')).json();
      const { id } = machines.find(({ name }: { name: string }) => name === 'Harvest tractor 1');
      const { jobs } = await (await server.fetch(`/machines/${id}`)).json();
      const { events } = await (await server.fetch(`/jobs/${jobs.open.id}/events`)).json();
      const heard = events.find(({ type }: JobEvent) => type === 'noise.heard');
      return (await server.fetch(`/blobs/${heard?.attachments[0].sha256}`)).status;
    })
    .toBe(200);
});

test('after the work a file is held against it, and both stand in the record', async ({ page }) => {
  const head = await beginRecorded(server, '00000000-0000-4000-8000-000000000016');
  const whole = journalOf(head);
  const run = whole.findIndex(({ type }) => type === 'run.noted');
  const why: JobAct = { type: 'why.noted', reason: 'symptom', symptom: 'Ticks at idle' };
  const events = whole
    .slice(0, run)
    .map((event) => (event.type === 'why.noted' ? { ...event, ...why } : event));
  await server.keep(`/jobs/${head.id}/events`, events);
  await page.goto(`${server.url}/jobs/${head.id}`);
  const job = new JobPage(page);
  await job.at('Run and sign');

  await take(page, {
    name: 'x.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from('no sound at all'),
  });
  await expect(page.getByRole('alert')).toContainText('no sound that the browser can read');
  await take(page, clip('before'));
  await expect(page.getByText(/^After: At 6\d\d rpm one thing ticks/)).toBeVisible();
  // Mended, and taken again: the last one counts.
  await take(page, clip('after'));
  const told = /^After: At 6\d\d rpm no cylinder ticks louder than the others\.$/;
  await expect(page.getByText(told)).toBeVisible();
  await expect(page.getByRole('img', { name: /^After: 1 s .* 0 ticks marked$/ })).toBeVisible();

  await page.getByRole('radio', { name: 'Gone' }).click();
  await page.getByRole('radio', { name: 'No leaks' }).click();
  await job.tap('Record the run');
  await job.settled();
  await page.goto(`${server.url}/jobs/${head.id}/record`);
  await expect(
    page.getByText(/^Noise: After: At 6\d\d rpm no cylinder ticks louder/),
  ).toBeVisible();
  await expect(page.getByLabel('Clip 1')).toBeVisible();
  await expect(page.getByRole('img', { name: /^After: 1 s of the sound/ })).toBeVisible();
});
