import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { TestServer } from './support/server';

test.use({ viewport: { width: 1280, height: 800 } });

let server: TestServer;

/** Picks a file with this text where a button asks for one. */
async function give(page: Page, button: string, name: string, text: string): Promise<void> {
  const file = join(server.data, name);
  writeFileSync(file, text);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: button }).click(),
  ]);
  await chooser.setFiles(file);
}

test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

test('the yard by pressing and by week, and a calendar of it', async ({ page }) => {
  await page.goto(server.url);
  const row = (machine: string) => page.getByRole('row').filter({ hasText: machine });
  await expect(row('Launch')).toContainText('Overdue');
  await expect(row('Welder')).toContainText('Soon, too few readings to say when');
  await page.getByRole('radio', { name: 'By week' }).click();
  const open = page.getByRole('list', { name: 'In no week yet' });
  await expect(open.getByRole('listitem').first()).toContainText('Launch');
  await page.getByRole('button', { name: /^Later, or without a date/ }).click();
  await expect(page.getByRole('button', { name: 'Welder: no date can be said' })).toBeVisible();
  await page.getByRole('radio', { name: 'Most urgent' }).click();
  // On a phone it is a board of what is overdue, soon and later.
  await page.setViewportSize({ width: 390, height: 844 });
  const overdue = page.getByRole('list', { name: 'Machines: Overdue' }).getByRole('link');
  await expect(overdue.filter({ hasText: 'Launch' })).toHaveCount(1);
  const soon = page.getByRole('list', { name: 'Machines: Soon' });
  await expect(soon).toContainText('too few readings to say when');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Due dates for a calendar: take them as a file' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('SUMMARY:Launch: check overdue');
});

test('a page whose script did not come says so, and comes once the server can be reached @more', async ({
  page,
}) => {
  const rest = '**/all-*.js';
  await page.route(rest, (route) => route.abort('connectionreset'));
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Opening …' })).toBeVisible();
  await expect(page.getByRole('status')).toContainText('is not here yet');
  await expect(page.getByRole('button', { name: 'Load the page again' })).toBeVisible();
  await page.unroute(rest);
  await expect(page.getByRole('link', { name: 'Practice' })).toBeVisible();
});

test('a page of which no script came says so, and is loaded again @more', async ({ page }) => {
  const scripts = '**/*.js';
  await page.route(scripts, (route) => route.abort('connectionreset'));
  await page.goto(server.url);
  const again = page.getByRole('link', { name: 'Load the page again' });
  await expect(again).toBeHidden();
  await expect(again).toBeVisible();
  await page.unroute(scripts);
  await again.click();
  await expect(page.getByRole('link', { name: /^Salt truck 3/ })).toBeVisible();
});

test('a machine whose exhaust valve recedes: the finding, and its drift on charts', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Salt truck 3/ }).click();
  const findings = page.getByRole('list', { name: 'Findings of the last check' });
  await expect(findings).toContainText('No. 4 exhaust closes much faster than the others');
  await expect(findings).toContainText('seat');
  await page.getByRole('button', { name: 'Drift of every valve' }).click();
  await expect(
    page.getByRole('heading', { name: /^Look again .* h after the last check/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Show No. 4 exhaust large' }).click();
  await expect(page.getByRole('heading', { name: 'No. 4 exhaust', exact: true })).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^No\. 4 exhaust: found .* left / }).first(),
  ).toBeVisible();

  // The finding stands in the next job, before the adjuster is touched.
  await page.goBack();
  await page.getByLabel('Who works').fill('Ina');
  await page.getByRole('button', { name: 'Start a lash job' }).click();
  await expect(findings).toContainText('No. 4 exhaust');
});

test('a doubtful reading is asked about, and a new meter counts on @more', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Brine pump 2/ }).click();
  await page.getByLabel('Hours on the meter today').fill('3');
  await page.getByRole('button', { name: 'Add the reading' }).click();
  await expect(page.getByRole('alert')).toContainText('the meter was replaced or reset');
  await page.getByRole('button', { name: 'New meter' }).click();
  const newest = page
    .getByRole('list', { name: 'Readings of the hour meter' })
    .getByRole('listitem')
    .first();
  await expect(newest).toContainText('the first of another meter');
  await expect(newest).toContainText('3 h');
  await expect(page.getByText('38 h left')).toBeVisible();
  await expect(page.getByText(/Due at 41 h on the meter\.$/)).toBeVisible();
});

test('a record: sealed, added to, and as a PDF', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Barge/ }).click();
  await page
    .getByRole('link', { name: /^Record of/ })
    .first()
    .click();
  await expect(
    page.getByText(/^Sealed: its events are those that were signed. [0-9a-f]{64}$/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Add to this record' }).click();
  await page.getByLabel('What is to be added or put right').fill('No. 5 was swapped last time');
  await page.getByRole('button', { name: 'Add it to the record' }).click();
  await expect(page.getByText(/^Added after signing.*No\. 5 was swapped/)).toBeVisible();
  await expect(
    page.getByText(/^Sealed: its events are those that were signed. [0-9a-f]{64}$/),
  ).toBeVisible();
  const id = /jobs\/([0-9a-f-]+)/.exec(page.url())?.[1];
  const pdf = await page.request.get(`${server.url}/api/jobs/${id}/record.pdf`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');

  // Hours that are put right afterwards are in it, beside those that were signed.
  const record = page.url();
  await page.goBack();
  await page.getByRole('button', { name: /^Correct the reading of 2,985 h/ }).click();
  await page.getByLabel('It should read, h').fill('2983');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByLabel('Corrected: 2,985 h')).toBeVisible();
  await page.goto(record);
  await expect(
    page.getByText('2,983 h, put right since: 2,985 h when it was signed'),
  ).toBeVisible();
  await expect(page.getByText(/^Sealed: its events are those that were signed/)).toBeVisible();
});

test('hours come by telematics: what is doubtful or of nobody waits, and is settled', async ({
  page,
}) => {
  await page.goto(`${server.url}/shop`);
  await page.getByRole('button', { name: 'Ask now' }).click();
  await expect(page.getByText(/^Asked .*; every 24 h\.$/)).toBeVisible();
  await page.goto(server.url);
  await page.getByRole('button', { name: '2 readings of hours wait' }).click();
  await expect(page.getByText('No machine of the yard has this serial number.')).toBeVisible();
  await page.getByRole('button', { name: 'SK-4471: leave it out' }).click();
  await expect(page.getByRole('button', { name: 'Bring back SK-4471' })).toBeVisible();
  await page.getByRole('button', { name: 'SK-1207: it is right' }).click();
  await expect(page.getByRole('alert')).toContainText('40,000 h in a day is more than there are.');
  await page.getByRole('button', { name: 'SK-1207: meter replaced' }).click();
  await expect(page.getByText('To be settled')).toHaveCount(0);
  await expect(page.getByText('Nothing waits.')).toBeVisible();
  await page.getByRole('link', { name: 'Yard' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Launch' })).toContainText('41,364');
  await page.getByRole('link', { name: 'Shop' }).click();

  // A service that fails says how, and its key is not asked for again.
  await page.getByRole('button', { name: 'Change the service' }).click();
  const address = page.getByLabel('Address of the service');
  await address.fill(`${await address.inputValue()}?fault=cut-off`);
  await page.getByRole('button', { name: 'Save the service' }).click();
  await page.getByRole('button', { name: 'Ask now' }).click();
  await expect(page.getByText('The answer was cut off.', { exact: false })).toBeVisible();
});

test('other programs are told: a test arrives, and one that cannot be called is said so', async ({
  page,
}) => {
  await page.goto(`${server.url}/shop`);
  await page.getByRole('button', { name: 'Send a test' }).click();
  await expect(page.getByText(/^It took one message; tried last/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a program' }).click();
  await page.getByLabel('Address of the program').fill('http://127.0.0.1:9/told');
  await page.getByRole('button', { name: 'Save the program' }).click();
  await expect(page.getByText(/^whsec_/)).toBeVisible();
  await page.getByRole('button', { name: 'It is copied' }).click();
  await expect(page.getByText(/^whsec_/)).toHaveCount(0);
  await expect(page.getByText('The address lies on this machine', { exact: false })).toBeVisible();
  const second = page.getByRole('button', { name: 'Remove the program' }).last();
  await second.click();
  await page.getByRole('button', { name: 'Remove it' }).click();
  await expect(page.getByText('http://127.0.0.1:9/told')).toHaveCount(0);
});

test('the shop’s rules are changed, and an archive with a mistake changes nothing', async ({
  page,
}) => {
  await page.goto(`${server.url}/shop`);
  await page.getByRole('radio', { name: 'Reset all' }).click();
  await page.getByLabel('Days before it is due').fill('14');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect
    .poll(async () => (await page.request.get(`${server.url}/api/shop`)).json())
    .toMatchObject({
      policy: 'reset-all',
      soon: { hours: 60, days: 14 },
    });
  const archive = await (await page.request.get(`${server.url}/api/archive`)).text();
  const take = (name: string, text: string) =>
    give(page, 'Import an archive into this shop', name, text);
  await take('spoiled.jsonl', archive.replace('"type":"machine"', '"type":"engine"'));
  await expect(page.getByRole('alert')).toContainText(/line \d+: type: A line is one of/);
  await take('whole.jsonl', archive);
  await expect(page.getByText(/whole\.jsonl holds .* 8 machines/)).toBeVisible();
  await page.getByRole('button', { name: 'Import it' }).click();
  await expect(page.getByRole('alert')).toContainText('into an empty shop only');
  expect(await (await page.request.get(`${server.url}/api/archive`)).text()).toBe(archive);
});

test('hours from a table: its columns mapped and remembered, mistakes by their line', async ({
  page,
}) => {
  const today = new Date().toISOString().slice(0, 10);
  const table = (hours: number, other: string) =>
    `Ref;Unit name;Seen at;Counter\n7;Brine pump 2;${today};${hours}\n8;${other};${today};12\n`;
  await page.goto(`${server.url}/shop`);
  await give(page, 'Open a table of hours', 'week.csv', table(6588, 'Forklift'));
  // Guessed from the headings, but for the counter, which none of them tells.
  await expect(page.getByRole('radio', { name: 'Machine: Unit name' })).toBeChecked();
  await expect(page.getByRole('radio', { name: 'Day: Seen at' })).toBeChecked();
  await page.getByRole('radio', { name: 'Hours: Counter' }).click();
  await expect(page.getByText('Brine pump 2: 1, the last 6,588 h')).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('Line 3: No machine of the yard is called');
  const take = page.getByRole('button', { name: 'Import them' });
  await expect(take).toBeDisabled();
  await page.getByRole('radio', { name: 'Leave those lines out' }).click();
  await take.click();
  await expect(page.getByText('Imported: 1 reading of 1 machine.')).toBeVisible();

  await page.reload();
  await give(page, 'Open a table of hours', 'next.csv', table(6589, 'Brine pump 2'));
  await expect(page.getByRole('radio', { name: 'Hours: Counter' })).toBeChecked();
  await page.goto(server.url);
  await expect(page.getByText('6,588 h')).toBeVisible();
});

test('drift decides on the board: what it asks for is due then, and says so @more', async ({
  page,
}) => {
  await page.goto(server.url);
  await expect(page.getByText(/^By drift of No\. \d (intake|exhaust)$/)).toHaveCount(2);
  // The seat that recedes makes the truck overdue, long before its interval is up.
  const truck = page.getByRole('link', { name: /^Salt truck 3/ });
  await expect(truck).toHaveAttribute('aria-label', /overdue [\d,]+ h$/);
  await truck.click();
  await expect(
    page.getByText(/By its drift over 4 checks: No\. 4 exhaust may have left its limits by then\./),
  ).toBeVisible();
});

test('weeks are offered, taken, and moved by keys, by dragging and by buttons', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('radio', { name: 'By week' }).click();
  const weeks = page.getByRole('list', { name: /^Week of/ });
  const open = page.getByRole('list', { name: 'In no week yet' });
  const inWeek = (n: number) => weeks.nth(n).getByRole('listitem');
  await expect(open.getByRole('listitem').first()).toContainText('Launch');
  await page.getByRole('button', { name: 'Offer weeks for these' }).click();
  await expect(page.getByText(/^Launch: week of/)).toBeVisible();
  // What is offered is not planned.
  await expect(inWeek(0)).toHaveCount(0);
  await page.getByRole('button', { name: 'Plan it so' }).click();
  await expect(inWeek(0).filter({ hasText: 'Launch' })).toHaveCount(1);
  await expect(open.getByRole('listitem')).toHaveCount(0);

  // By keys: lifted, on by two weeks, set down.
  const grip = page.getByRole('button', { name: 'Move Launch' });
  await grip.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/^Launch is over the week of/)).toBeAttached();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  const third = (await weeks.nth(2).getAttribute('aria-label'))!;
  await expect(
    page.getByText(`Launch is over the ${third.replace('Week', 'week')}.`),
  ).toBeAttached();
  await page.keyboard.press('Space');
  await expect(inWeek(2).filter({ hasText: 'Launch' })).toHaveCount(1);

  // By the mouse: into the second week.
  const from = (await grip.boundingBox())!;
  // A week with nothing in it is no higher than its name.
  const second = (await weeks.nth(1).getAttribute('aria-label'))!;
  const to = (await page.getByText(second, { exact: true }).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x, from.y + 20, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(inWeek(1).filter({ hasText: 'Launch' })).toHaveCount(1);

  // By its buttons, and whose it is.
  await page.getByRole('button', { name: /^Launch: overdue/ }).click();
  await page.getByRole('button', { name: 'Launch: a week earlier' }).click();
  await expect(inWeek(0).filter({ hasText: 'Launch' })).toHaveCount(1);
  await page.getByLabel('Who does Launch').selectOption({ index: 1 });
  await expect(page.getByText(/· (?!nobody)\w+ 0\.6 h/)).toBeVisible();
  const pdf = await page.request.get(`${server.url}/api/weeks/plan.pdf`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  await page.getByRole('button', { name: 'Launch: out of the plan' }).click();
  await expect(open.getByRole('listitem')).toHaveCount(1);
});
