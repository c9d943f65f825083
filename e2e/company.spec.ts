import type { Browser, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { command } from './support/command';
import { TestServer } from './support/server';
import { violations } from './support/violations';

test.use({ viewport: { width: 390, height: 844 } });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

const tap = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).click();

/** Opens another shop on the server, and pairs a phone as its foreman’s. */
async function anotherShop(browser: Browser): Promise<Page> {
  const { said } = await command(['tools/data.mjs', 'shop', 'North yard'], server.data);
  const [link = ''] = /http\S+/.exec(said) ?? [];
  const viewport = { width: 390, height: 844 };
  const none = { cookies: [], origins: [] };
  const phone = await (await browser.newContext({ viewport, storageState: none })).newPage();
  await phone.goto(link);
  await tap(phone, 'Pair this phone');
  await phone.getByLabel('Your name').fill('Runa');
  await tap(phone, 'Pair this phone');
  await expect(phone.getByText('Three steps to the first job')).toBeVisible();
  return phone;
}

test('two shops of one server are seen side by side, and a machine goes from one to the other with its past', async ({
  page,
  browser,
}) => {
  const north = await anotherShop(browser);
  await page.goto(`${server.url}/shop`);
  await expect(page.getByRole('heading', { name: 'Shop' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Company' })).toHaveCount(0);
  const company = ['tools/data.mjs', 'company', 'Skerrow', '1', '2'];
  expect((await command(company, server.data)).failed).toBe(false);

  await page.reload();
  await page.getByRole('link', { name: 'Skerrow', exact: true }).click();
  const saltworks = page.getByRole('group', { name: 'Skerrow Saltworks' });
  await expect(saltworks.getByText('8 machines')).toBeVisible();
  await expect(saltworks.getByText('Salt truck 3, No. 4 exhaust')).toBeVisible();
  await expect(page.getByText('It has no machines yet.')).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await page.getByLabel('Machine', { exact: true }).selectOption('Barge');
  await tap(page, 'Move Barge to North yard');
  await tap(page, 'Move it');
  await expect(page.getByText('Barge is in North yard now.')).toBeVisible();
  await expect(saltworks.getByText('7 machines')).toBeVisible();
  const yard = page.getByRole('group', { name: 'North yard' });
  await expect(yard.getByText('Barge', { exact: true })).toBeVisible();
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Barge/ })).toHaveCount(0);

  // Its past is there, and the record as it was signed.
  await north.goto(north.url());
  await north.getByRole('link', { name: /^Barge/ }).click();
  await north
    .getByRole('link', { name: /^Record of/ })
    .first()
    .click();
  await expect(north.getByText('Signed', { exact: false }).first()).toBeVisible();
  await north.goto(`${server.url}/shop`);
  await expect(north.getByText('North yard').first()).toBeVisible();
  await expect(north.getByRole('heading', { name: 'Company' })).toHaveCount(0);
  await north.goto(`${server.url}/shop/company`);
  await expect(north.getByText('No company is run from this shop.')).toBeVisible();
});

test('a sheet is published once for a company, and taken by its shops when they want to @more', async ({
  page,
  browser,
}) => {
  const north = await anotherShop(browser);
  await command(['tools/data.mjs', 'company', 'Skerrow', '1', '2'], server.data);
  await north.goto(`${server.url}/sheets`);
  await expect(north.getByRole('button', { name: 'Write a sheet for a new engine' })).toBeVisible();
  await expect(north.getByRole('heading', { name: 'From Skerrow' })).toHaveCount(0);

  await page.goto(`${server.url}/sheets`);
  await page
    .getByRole('list', { name: 'Engine sheets' })
    .getByRole('link', { name: /^Godwit 6U/ })
    .click();
  await tap(page, 'Offer it to the shops of Skerrow');
  await expect(page.getByText(/^The shops of Skerrow are offered Godwit 6U/)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await north.reload();
  await expect(north.getByRole('heading', { name: 'From Skerrow' })).toBeVisible();
  expect(await violations(north)).toEqual([]);
  await tap(north, /^Take Godwit 6U/);
  await expect(north.getByText(/^Godwit 6U.* is here now/)).toBeVisible();
  await expect(
    north.getByRole('list', { name: 'Engine sheets' }).getByRole('link', { name: /^Godwit 6U/ }),
  ).toBeVisible();
  await expect(north.getByRole('button', { name: /^Take/ })).toHaveCount(0);

  await tap(page, 'Offer it no more');
  await expect(
    page.getByRole('button', { name: 'Offer it to the shops of Skerrow' }),
  ).toBeVisible();
});
