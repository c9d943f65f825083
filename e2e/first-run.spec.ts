import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { TestServer } from './support/server';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

let server: TestServer;
test.beforeEach(async ({ context }) => {
  server = await TestServer.start({ empty: true });
  await server.pairWith(context);
});
test.afterEach(() => server.end());

const tap = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).tap();

test('the demo is loaded into an empty shop and removed as a whole, and the phone mixes nothing @more', async ({
  page,
}) => {
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'Three steps to the first job' })).toBeVisible();
  await tap(page, 'Load the demo');
  await page.getByRole('link', { name: /^Salt truck 3/ }).tap();
  await page.getByLabel('Who works').fill('Ina');
  await tap(page, 'Start a lash job');
  await expect(page.getByText(/^Why · step/)).toBeVisible();
  await expect(page.getByRole('button', { name: /unsent/ })).toHaveCount(0);

  await page.goto(`${server.url}/shop`);
  await tap(page, 'Remove the demo');
  await tap(page, 'Remove all of it');
  await expect(page.getByRole('heading', { name: 'Three steps to the first job' })).toBeVisible();
  await expect(page.getByText('Salt truck 3')).toHaveCount(0);
  expect(await (await server.fetch('/machines')).json()).toEqual([]);

  // The demo again is another demo: the job that was begun in the first is not in it.
  await tap(page, 'Load the demo');
  await page.getByRole('link', { name: /^Salt truck 3/ }).waitFor();
  await expect(page.getByText(/step 1 of/)).toHaveCount(0);
});

test('who begins at a server that was slow once is told so, and goes on by itself @more', async ({
  page,
}) => {
  await page.route('**/api/me', (route) => route.abort());
  await page.goto(server.url);
  await expect(page.getByText('The server could not be reached.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
  await page.unroute('**/api/me');
  await expect(page.getByRole('heading', { name: 'Three steps to the first job' })).toBeVisible();
  await expect(page.getByText('The server could not be reached.')).toHaveCount(0);
});

test('from an empty shop to a job that stands at make unable to start, tap by tap', async ({
  page,
}) => {
  let taps = 0;
  const press = async (name: string | RegExp, role: 'button' | 'radio' = 'button') => {
    taps++;
    await page.getByRole(role, { name }).last().tap();
  };
  const type = async (label: string, text: string) => {
    taps++;
    await page.getByLabel(label, { exact: true }).fill(text);
  };
  await page.goto(server.url);
  await press(/^1\. The shop/);
  await type('Name of the shop', 'Own shop');
  // Saving takes nothing away from under the finger.
  const engine = page.getByRole('button', { name: /^2\. The first engine/ });
  await engine.evaluate((step) => step.scrollIntoView({ block: 'center' }));
  const before = await engine.boundingBox();
  await press('Save the shop');
  await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible();
  expect(await engine.boundingBox()).toEqual(before);
  await press(/^2\. The first engine/);
  await press('Write its sheet');
  await type('Name of the engine', 'Curlew 6');
  await press('In line, 6 cylinders', 'radio');
  await press('Next: Firing order');
  await press('Next: Valves');
  await press('Next: Limits');
  await type('Least, intake, mm', '0.28');
  await type('Target, intake, mm', '0.33');
  await type('Most, intake, mm', '0.38');
  await press('exhaust: the manual gives target ±', 'radio');
  await type('Target, exhaust, mm', '0.58');
  await type('Plus or minus, exhaust, mm', '0.05');
  await press('Set cold', 'radio');
  await press('Next: Publish');
  await expect(page.getByText(/^· No marks: the position is found by the rockers/)).toBeVisible();
  await expect(page.getByText(/^· Which way it turns is not said/)).toBeVisible();
  await press('Publish revision 1');
  await expect(page.getByRole('heading', { name: 'Where to stop' })).toBeVisible();
  taps++;
  await page.getByRole('link', { name: 'Yard' }).tap();
  await press(/^3\. The first machine/);
  await press('Add the machine');
  await type('Name of the machine', 'Skiff');
  await type('Hours on the meter today', '120');
  await press('Add the machine');
  await type('Who works', 'Ina');
  await press('Start a lash job');
  await press('It is due', 'radio');
  await press('Continue');
  await press('Overnight', 'radio');
  await type('What the hour meter shows', '120');
  await press(/^Record .* h$/);
  await expect(page.getByText(/^Make unable to start · step/)).toBeVisible();
  console.log(`From an empty shop to the first job: ${taps} taps and typed fields.`);
  expect(taps).toBeLessThanOrEqual(45);
});

test('the shop’s units come first everywhere, and its days are its own', async ({ page }) => {
  await page.goto(server.url);
  await tap(page, /^1\. The shop/);
  await page.getByLabel('Name of the shop').fill('Own shop');
  // As in any group of radio buttons, the arrows lead from one to the next, and space chooses.
  await page.getByRole('radio', { name: 'mm first' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('radio', { name: 'thou first' })).toBeFocused();
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: 'thou first' })).toBeChecked();
  await page.getByRole('radio', { name: 'lb·ft first' }).tap();
  await page.getByLabel('Time zone of the shop').selectOption({ index: 3 });
  await tap(page, 'Save the shop');
  await expect(page.getByRole('button', { name: /^1\. The shop: done, Own shop/ })).toBeVisible();
  await expect(page.getByText('Own shop, thou and lb·ft first')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^1\. The shop: done/ })).toBeVisible();

  // The sums ask and answer in them, too; shims are in mm everywhere.
  await page.goto(`${server.url}/bench/set`);
  await expect(page.getByText('Lower limit, 11 thou: ', { exact: false })).toBeVisible();
  await page.goto(`${server.url}/bench/bar`);
  await page.getByLabel('Rim of the pulley, diameter, in').fill('8');
  await expect(page.getByText('8.38 in along the rim')).toBeVisible();
  await page.goto(`${server.url}/bench/adapter`);
  await page.getByLabel('Wanted at the nut').fill('34');
  await page.getByLabel('Wrench, drive to hand, in').fill('16');
  await page.getByLabel('Adapter, drive to nut, in').fill('2.4');
  await expect(
    page.getByText('34 × 16 / (16 + 2.4 × cos 0°) = 34 × 16 / 18.4 = 29.6 lb·ft'),
  ).toBeVisible();
  await page.goto(`${server.url}/bench/screw`);
  await page.getByLabel('Threads of the screw in an inch').fill('24');
  await expect(page.getByText(/thou \/ \(41.7 × 1.4\) thou a turn/)).toBeVisible();
  await page.goto(`${server.url}/bench/shims`);
  await page.getByLabel('Gap 1, thou').fill('11');
  await expect(
    page.getByRole('img', { name: 'Cam, gap 11 thou, shim 2.70 mm, bucket' }),
  ).toBeVisible();
});
