import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { root } from './support/root';
import { TestServer } from './support/server';
import { violations } from './support/violations';

test.use({ viewport: { width: 390, height: 844 } });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

type Named = { id: string; name: string };

async function idOf(path: string, name: string): Promise<string> {
  const all: Named[] = await (await server.fetch(path)).json();
  const found = all.find((each) => each.name === name);
  if (!found) throw new Error(`There is no ${name} at ${path}.`);
  return found.id;
}

test('names, roles and contrast of machine, sheet, record and shop hold by day and by night @more', async ({
  page,
}) => {
  // All of a page is in sight: what is half under the places would be counted as small as its half.
  await page.setViewportSize({ width: 390, height: 4000 });
  const machine = await idOf('/machines', 'Salt truck 3');
  const sheet = await idOf('/sheets', 'Godwit 6U');
  const { history } = await (await server.fetch(`/machines/${machine}`)).json();
  for (const [path, shows] of [
    [`/machines/${machine}`, 'Past jobs'],
    [`/machines/${machine}/drift`, 'No. 4 exhaust'],
    [`/sheets/${sheet}`, 'Where to stop'],
    [`/sheets/${sheet}/edit`, 'Name and manual'],
    [`/jobs/${history[0].id}/record`, 'As found'],
    [`/jobs/${history[0].id}/label`, 'Label for the engine'],
    ['/sheets/new', 'Which engine is it?'],
    ['/shop', 'Blade sets'],
  ] as const) {
    await page.goto(`${server.url}${path}`);
    await expect(page.getByText(shows).first()).toBeVisible();
    expect(await violations(page), path).toEqual([]);
  }
  // Told at the places, and not on each page behind them.
  const note = page.getByText('Over plain HTTP this phone cannot open', { exact: false });
  await expect(note).toBeVisible();
  await page.goto(`${server.url}/machines/${machine}`);
  await expect(page.getByText('Past jobs').first()).toBeVisible();
  await expect(note).toHaveCount(0);
});

test('a place under a finger leads there, though the page comes meanwhile @more', async ({
  page,
}) => {
  for (const [kind, name, door] of [
    ['sheets', 'Godwit 6U', ''],
    ['sheets', 'Godwit 6U', '/edit'],
    ['machines', 'Salt truck 3', ''],
    ['machines', 'Salt truck 3', '/edit'],
  ] as const) {
    const path = `/${kind}/${await idOf(`/${kind}`, name)}`;
    let come = () => {};
    const mayCome = new Promise<void>((resolve) => {
      come = resolve;
    });
    await page.route(`**/api${path}`, async (route) => {
      await mayCome;
      await route.continue();
    });
    await page.goto(`${server.url}${path}${door}`);
    await expect(page.getByText(/^Fetching the (sheet|machine) …$/)).toBeVisible();
    await page.getByRole('link', { name: 'Bench' }).hover();
    await page.mouse.down();
    come();
    await expect(page.getByRole('heading', { name })).toBeVisible();
    await page.mouse.up();
    await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
    await page.unroute(`**/api${path}`);
  }
});

test('a page that does not come says why, and asks again when told to', async ({ page }) => {
  await page.goto(`${server.url}/machines/${crypto.randomUUID()}`);
  await expect(page.getByRole('alert')).toHaveText('There is no such machine.');
  const path = `/sheets/${await idOf('/sheets', 'Godwit 6U')}`;
  await page.route(`**/api${path}`, (route) => route.abort());
  await page.goto(`${server.url}${path}`);
  await expect(page.getByRole('alert')).toHaveText('The server could not be reached.');
  const again = page.getByRole('button', { name: /again/ });
  const asked = page.waitForRequest(`**/api${path}`);
  await again.click();
  await asked;
  await page.unroute(`**/api${path}`);
  // It comes by itself, too, once the server is heard of: the button may be gone before it is pressed.
  await expect(async () => {
    await again.evaluateAll((buttons: HTMLElement[]) => buttons.forEach((each) => each.click()));
    await expect(page.getByRole('heading', { name: 'Godwit 6U' })).toBeVisible({ timeout: 1000 });
  }).toPass();
});

test('what reads a journal comes with the screens of a job, not with every first visit', () => {
  const scripts = join(root, 'app/dist/_expo/static/js/web');
  const holding = (words: string) =>
    readdirSync(scripts)
      .filter((name) => readFileSync(join(scripts, name), 'utf8').includes(words))
      .map((name) => name.split('-')[0]);
  // Words of an entry, of what is asked about a reading, and of a page that all phones fetch first.
  expect(holding('Tools and parts not all laid out')).toEqual(['all']);
  expect(holding('Far tighter than its limits')).not.toContain('entry');
  expect(holding('Find a machine, a note, a symptom')).toEqual(['entry']);
});
