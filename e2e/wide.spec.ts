import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { TestServer } from './support/server';
import { cutOffAt } from './support/violations';

test.use({ viewport: { width: 1280, height: 800 } });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

test('the yard is a table to sort, the most urgent machine first, and takes a reading', async ({
  page,
}) => {
  await page.goto(server.url);
  const rows = page.getByRole('table', { name: 'Machines' }).getByRole('row');
  await expect(rows).toHaveCount(9);
  await expect(rows.nth(1)).toContainText('Overdue');
  // Sorted by keyboard alone: a heading, and once more for the other way round.
  const byHours = page.getByRole('button', { name: 'Sort by hours' });
  await byHours.focus();
  await page.keyboard.press('Enter');
  await expect(rows.nth(1)).toContainText('Welder');
  await page.keyboard.press('Space');
  await expect(rows.nth(1)).toContainText('Salt truck 3');
  await expect(page.getByRole('columnheader', { name: 'Sort by hours' })).toHaveAttribute(
    'aria-sort',
    'descending',
  );
  const pump = rows.filter({ hasText: 'Brine pump 2' });
  await expect(pump).toContainText('h left');
  await pump.getByRole('link').click();
  await page.getByLabel('Hours on the meter today').fill('12');
  await page.getByRole('button', { name: 'Add the reading' }).click();
  await expect(page.getByRole('alert')).toContainText('already. Read it once more');
  await page.getByLabel('Hours on the meter today').fill('6590,5');
  await page.getByRole('button', { name: 'Add the reading' }).click();
  await expect(page.getByRole('list', { name: 'Readings of the hour meter' })).toContainText(
    '6,590.5 h',
  );
});

test('the yard is asked for once while it opens, and each of its machines when it has changed @more', async ({
  page,
}) => {
  const asked: string[] = [];
  // What it tells the server is no question: the reading may be on its way a moment later.
  page.on('request', (request) => {
    if (request.method() === 'GET') asked.push(new URL(request.url()).pathname);
  });
  await page.goto(server.url);
  const machines = () => asked.filter((path) => path.startsWith('/api/machines/'));
  await expect.poll(() => new Set(machines()).size).toBe(8);
  expect(machines()).toHaveLength(8);
  expect(asked.filter((path) => path === '/api/machines')).toHaveLength(1);

  await page.getByRole('link', { name: /^Brine pump 2/ }).click();
  await page.getByLabel('Hours on the meter today').fill('6590,5');
  await page.getByRole('button', { name: 'Add the reading' }).click();
  await expect(page.getByText('6,590.5 h').first()).toBeVisible();
  const own = new URL(page.url()).pathname;
  asked.length = 0;
  await page.getByRole('link', { name: 'Yard', exact: true }).click();
  await expect.poll(() => machines().includes(`/api${own}`)).toBe(true);
  expect([...new Set(machines())]).toEqual([`/api${own}`]);
});

test('a machine shows its head as the last check left it, and where drift asks for a look', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Salt truck 3/ }).click();
  await expect(page.getByRole('heading', { name: 'As the last check left it' })).toBeVisible();
  await expect(page.getByText(/^Limits: intake 0\.20 mm to 0\.30 mm/)).toBeVisible();
  await expect(page.getByText(/^Marked: /)).toBeVisible();
});

test('a finished job shows its record @more', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Brine pump 2/ }).click();
  await page
    .getByRole('link', { name: /^Record of/ })
    .first()
    .click();
  await expect(page.getByRole('row')).toHaveCount(13);
  await expect(page.getByText('Signed by Ina', { exact: false })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
});

test('the arrow keys move over the map and Enter opens an adjuster @more', async ({ page }) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  const map = page.getByRole('group', { name: 'Rockers from the front' });
  await map.getByRole('button', { name: /^No. 1 intake/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(map.getByRole('button', { name: /^No. 2 intake: set here/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(job.heading('No. 2 intake')).toBeVisible();
  await page.keyboard.press('End');
  await expect(map.getByRole('button', { name: /^No. 6 exhaust: on its lobe/ })).toBeFocused();
  await page.keyboard.press('Home');
  await expect(map.getByRole('button', { name: /^No. 1 exhaust/ })).toBeFocused();
});

test('on a tablet the yard’s table and the picture of a job are in sight as a whole', async ({
  page,
}) => {
  const job = new JobPage(page);
  const tablet = { width: 1024, height: 768 };
  await page.goto(server.url);
  await expect(page.getByRole('table', { name: 'Machines' })).toBeVisible();
  expect(await cutOffAt(page, tablet)).toEqual([]);
  await job.start(server.url, 'Brine pump 2');
  await expect(page.getByText('Position not found yet')).toBeVisible();
  expect(await cutOffAt(page, tablet)).toEqual([]);
});

test('of a long yard only what is scrolled to is drawn @more', async ({ page }) => {
  await page.route('**/api/machines', async (route) => {
    const answer = await route.fetch();
    const [first] = (await answer.json()) as { id: string; name: string }[];
    const many = Array.from({ length: 130 }, (_, i) => ({
      ...first,
      id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
      name: `Machine ${i + 1}`,
    }));
    await route.fulfill({ response: answer, json: many });
  });
  await page.goto(server.url);
  const rows = page.getByRole('table', { name: 'Machines' }).getByRole('row');
  await expect(rows.nth(10)).toBeVisible();
  expect(await rows.count()).toBeLessThan(70);
  // Whoever scrolls on sees all of it.
  await page.mouse.move(600, 500);
  const last = page.getByRole('link', { name: /^Machine 130,/ });
  await expect(async () => {
    await page.mouse.wheel(0, 4000);
    await expect(last).toBeVisible({ timeout: 1000 });
  }).toPass();
});
