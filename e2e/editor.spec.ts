import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { TestServer } from './support/server';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

const next = (page: Page, step: string) =>
  page.getByRole('button', { name: `Next: ${step}` }).click();
const radio = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });

test('a new engine is asked for step by step, mistakes stand beside the field, and it is published', async ({
  page,
}) => {
  await page.goto(`${server.url}/sheets/new`);
  // Nothing is red before it was typed.
  await expect(page.getByLabel('Name of the engine')).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByLabel('Name of the engine').fill('Curlew 3');
  await page.getByRole('radio', { name: 'In line, 3 cylinders' }).click();
  await next(page, 'Firing order');
  for (const [n, place] of [
    [1, '1st'],
    [2, '2nd'],
    [3, '3rd'],
  ] as const) {
    await page.getByRole('checkbox', { name: new RegExp(`^Cylinder ${n}( fires.*)?$`) }).click();
    await expect(
      page.getByRole('checkbox', { name: `Cylinder ${n} fires ${place}` }),
    ).toBeVisible();
  }
  await next(page, 'Valves');
  await page.getByRole('button', { name: /^Cylinder 2\. No. 2 exhaust/ }).click();
  await expect(page.getByRole('button', { name: /^Cylinder 2\. No. 2 intake/ })).toBeVisible();

  await next(page, 'Limits');
  await page.getByLabel('Least, intake, mm').fill('0.45');
  await page.getByLabel('Target, intake, mm').fill('0.30');
  await page.getByLabel('Most, intake, mm').fill('0.35');
  await expect(page.getByRole('alert').first()).toContainText('0.45 mm');
  await next(page, 'Publish');
  await page.getByRole('button', { name: 'Publish revision 1' }).click();
  await expect(page.getByRole('alert')).toContainText('to be mended before it can be published');
  await page.getByRole('button', { name: 'Back' }).nth(-1).click();
  await page.getByLabel('Least, intake, mm').fill('0.25');
  await expect(page.getByRole('alert')).toHaveCount(0);
  // The same figure in the other unit.
  await radio(page, 'Figures in thou').click();
  await expect(page.getByLabel('Target, intake, thou')).toHaveValue(/^11\.8/);
  await page.getByRole('radio', { name: 'exhaust: the manual gives target ±' }).click();
  await page.getByLabel('Target, exhaust, thou').fill('20');
  await page.getByLabel('Plus or minus, exhaust, thou').fill('2');

  await next(page, 'Publish');
  // Whoever goes back finds the figures as the manual has them.
  await page.getByRole('button', { name: 'Back' }).nth(-1).click();
  await expect(page.getByLabel('Plus or minus, exhaust, thou')).toHaveValue('2');
  await next(page, 'Publish');
  await expect(page.getByText(/^· No marks: the position is found by the rockers/)).toBeVisible();
  await page.getByRole('button', { name: /^Marks: None/ }).click();
  await page.getByRole('button', { name: 'Add one mark' }).click();
  await page.getByLabel('Mark 1, as stamped').fill('T');
  await page.getByLabel('Mark 1, degrees').fill('400');
  const marks = page.getByRole('group', { name: 'Which marks come to the pointer?' });
  await expect(marks.getByRole('alert').first()).toBeVisible();
  await page.getByLabel('Mark 1, degrees').fill('0');

  // What was typed outlives a reload.
  await page.reload();
  await expect(page.getByLabel('Name of the engine')).toHaveValue('Curlew 3');
  for (const step of ['Firing order', 'Valves', 'Limits', 'Publish']) await next(page, step);
  await expect(page.getByText(/^· No marks/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Publish revision 1' }).click();
  await expect(page.getByRole('heading', { name: 'Where to stop' })).toBeVisible();
  await page.goto(`${server.url}/sheets`);
  await expect(page.getByRole('link', { name: 'Curlew 3', exact: true })).toBeVisible();
  const lines = await (await server.fetch('/sheets')).json();
  const { id } = lines.find(({ name }: { name: string }) => name === 'Curlew 3');
  const { document } = await (await server.fetch(`/sheets/${id}`)).json();
  expect(document.adjusters[1].spec).toEqual({ low: 457, target: 508, high: 559 });
});

test('a revision says what it changes, and the old one stays readable', async ({ page }) => {
  await page.goto(`${server.url}/sheets`);
  await page.getByRole('link', { name: 'Stint 3', exact: true }).click();
  await page.getByRole('button', { name: 'Change the sheet' }).click();
  await page.getByRole('button', { name: /^When it is checked: / }).click();
  const target = page.getByLabel('Then every so many hours');
  const before = await target.inputValue();
  await target.fill('777');
  await page.getByRole('button', { name: 'Publish revision 2' }).click();
  await expect(page.getByText('Revision 2', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Revisions, and what changed' }).click();
  const row = page.getByRole('row').filter({ hasText: 'every so many hours' });
  await expect(row).toContainText(before);
  await expect(row).toContainText('777');
  await page.getByRole('radio', { name: /Revision 1/ }).click();
  await expect(page.getByText('The first revision.')).toBeVisible();
});

test('a chart typed in is held against the model; a conflict is settled and kept', async ({
  page,
}) => {
  await page.goto(`${server.url}/sheets`);
  await page.getByRole('link', { name: 'Whimbrel V8', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('One question to settle before a job');
  const conflict = page.getByRole('group', { name: 'No. 5 exhaust: on lobe' });
  await expect(conflict).toContainText('margin -105°');
  // Whose phone it is stands in the field; nobody settles it without a name.
  await expect(conflict.getByLabel('Who looked')).toHaveValue('Ina');
  await conflict.getByLabel('Who looked').fill('');
  await expect(conflict.getByRole('button', { name: 'The page says so' })).toBeDisabled();
  await conflict.getByLabel('Who looked').fill('Orla');
  await conflict.getByLabel('What more the page says').fill('Printed so, asked the maker');
  await conflict.getByRole('button', { name: 'The page says so' }).click();
  await expect(page.getByText('Revision 2', { exact: true })).toBeVisible();
  await expect(page.getByText('Printed so, asked the maker', { exact: false })).toBeVisible();
  await expect(page.getByText('settle before a job', { exact: false })).toHaveCount(0);
});

test('an engine without marks is found by its rockers in the job itself @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.opened(server.url, { machine: 'Welder', hours: 40 });
  await expect(page.getByText(/Rockers alone do not tell it/)).toBeVisible();
  await job.see('No. 1 rocks at overlap');
  // A valve's lowest point on the way tells the place before the stop.
  await job.at('Stop 1 of 1');
  await expect(page.getByText(/^Slowly, until No. 1 intake has stopped going down/)).toBeVisible();
  await job.barred();
  await job.barred();
  await expect(job.heading(/^No. 1 (intake|exhaust)/)).toBeVisible();
});
