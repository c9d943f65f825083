import { formatDay } from '@longbar/core';
import type { Locator } from '@playwright/test';
import { expect, test } from '@playwright/test';
import jsQR from 'jsqr';
import { TestServer } from './support/server';

test.use({ viewport: { width: 1280, height: 800 } });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

/** What a camera reads of a pattern as it is drawn. */
async function readBack(drawn: Locator): Promise<string | undefined> {
  const png = (await drawn.screenshot()).toString('base64');
  const { data, width, height } = await drawn.page().evaluate(async (bytes) => {
    const image = new Image();
    image.src = `data:image/png;base64,${bytes}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [image.width, image.height];
    const context = canvas.getContext('2d');
    if (!context) throw new Error('This browser draws nothing.');
    context.drawImage(image, 0, 0);
    const pixels = context.getImageData(0, 0, image.width, image.height);
    return { data: [...pixels.data], width: image.width, height: image.height };
  }, png);
  return jsQR(new Uint8ClampedArray(data), width, height)?.data;
}

test('a machine’s label is read back, and what it says opens the machine', async ({ page }) => {
  await page.goto(server.url);
  await page
    .getByRole('button', { name: /^Brine pump 2/ })
    .or(page.getByRole('link', { name: /^Brine pump 2/ }))
    .first()
    .click();
  await page.getByRole('button', { name: 'Label for the machine' }).click();
  const label = page.getByRole('img', { name: /^Opens .* in Long Bar$/ });
  await expect(label).toHaveCount(1);
  // On the shop's own computer the address is one that no phone can open.
  await expect(page.getByText(/^No other phone can open/)).toBeVisible();
  const here = await readBack(label);
  expect(here).toMatch(new RegExp(`^${server.url}/machines/`));
  await page.getByLabel('Address that phones open').fill('https://bar.example/');
  await expect(page.getByText(/^No other phone can open/)).toHaveCount(0);
  await expect.poll(() => readBack(label)).toBe(here?.replace(server.url, 'https://bar.example'));
  await page.goto(here ?? '');
  await expect(page.getByRole('heading', { name: 'Brine pump 2' })).toBeVisible();
});

test('a sheet of labels is as large on paper as it says, behind what is used up @more', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'Labels for machines' }).click();
  const labels = page.getByRole('img', { name: /^Opens .* in Long Bar$/ });
  await expect(labels).toHaveCount(8);
  await page.getByRole('radio', { name: 'A4' }).click();
  const first = page.getByLabel('Begin at label (1 to 10)');
  await first.fill('11');
  await expect(page.getByRole('alert')).toHaveText('It is a whole number from 1 to 10.');
  await first.fill('6');
  await expect(page.getByRole('group', { name: /^Sheet / })).toHaveCount(2);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('toolbar')).toBeHidden();
  const sizes = await page
    .getByRole('group', { name: 'Sheet 1' })
    .locator('svg')
    .evaluateAll((drawn) => drawn.map((each) => each.getBoundingClientRect().width));
  // 40 mm across, in the pixels of which 96 are printed as one inch.
  for (const size of sizes) expect(Math.abs(size - (40 * 96) / 25.4)).toBeLessThan(0.5);
  const pdf = await page.pdf({ preferCSSPageSize: true });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(2);
  // A4 in points.
  expect(pdf.toString('latin1')).toMatch(/MediaBox \[0 0 59[45](\.\d+)? 84[12](\.\d+)?\]/);
  // None of them is chosen: there is nothing to print.
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('button', { name: /^Which machines/ }).click();
  await page.getByRole('button', { name: 'None' }).click();
  await expect(page.getByRole('button', { name: 'Print' })).toBeDisabled();
});

test('after signing, the engine gets a label with day, hours, lash, next check and who @more', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Brine pump 2/ }).click();
  await page
    .getByRole('link', { name: /^Record of/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Label for the engine' }).click();
  const label = page.getByRole('group', { name: 'Sheet 1' });
  // The demo's past is told from today back.
  const lines = await (await server.fetch('/machines')).json();
  const { id } = lines.find(({ name }: { name: string }) => name === 'Brine pump 2');
  const { history } = await (await server.fetch(`/machines/${id}`)).json();
  await expect(label).toContainText(`${formatDay(history[0].summary.hours.date)} · 6,021 h`);
  await expect(label).toContainText(
    'Set by the sheet, cold: intake 0.33 mm, 13 thou, exhaust 0.58 mm, 23 thou',
  );
  await expect(label).toContainText('Next check: at the latest when the meter shows 6,621 h');
  await expect(label).toContainText('Ina');

  // Of an engine with injectors and brakes it is drawn smaller: nothing is printed over its edge.
  const truck = lines.find(({ name }: { name: string }) => name === 'Salt truck 3');
  const past = await (await server.fetch(`/machines/${truck.id}`)).json();
  await page.goto(`${server.url}/jobs/${past.history[0].id}/label`);
  const last = label.getByText(/stands above this label$/);
  const reaches = async () => {
    const [sheet, text] = [await label.boundingBox(), await last.boundingBox()];
    return ((text!.y + text!.height - sheet!.y) / 96) * 25.4;
  };
  // Seven labels of 38 mm stand in the middle of a Letter sheet of 279.4 mm.
  await expect.poll(reaches).toBeLessThan((279.4 - 7 * 38) / 2 + 38);
});
