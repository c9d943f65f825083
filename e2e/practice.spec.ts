import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { PractisedJob } from './support/practisedJob';
import { TestServer } from './support/server';
import { shiftDate } from './support/shiftDate.mjs';
import { violations } from './support/violations';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

let server: TestServer;
test.beforeEach(async ({ page }) => {
  server = await TestServer.start();
  // The engine of the day is of this day.
  await page.addInitScript(shiftDate, new Date('2026-11-27T08:00:00').getTime() - Date.now());
  await page.goto(`${server.url}/bench`);
  await page.getByRole('link', { name: 'Practice' }).click();
});
test.afterEach(() => server.end());

const radio = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });
const mark = (page: Page) => page.getByRole('status').filter({ hasText: /^\d+ of 100$/ });

test('what may be set: a careless round with its mistakes, then one that learned from it', async ({
  page,
}) => {
  const rockers = page.getByRole('button', { name: /^No\. \d (intake|exhaust): not tapped$/ });
  await expect(rockers).toHaveCount(12);
  // Whoever taps nothing learns what might have been set.
  await page.getByRole('button', { name: 'Mark it: 0 tapped' }).click();
  await expect(mark(page)).toHaveText('0 of 100');
  const missed = page.getByText(/^No\. \d (intake|exhaust) may be set: \d+° clear of its lobe\.$/);
  const told = await missed.allInnerTexts();
  expect(told.length).toBeGreaterThan(4);
  // The engine of the day is the same again: it is worked by what was told.
  await page.reload();
  for (const words of told) {
    const [name] = /^No\. \d \w+/.exec(words) ?? [''];
    await page.getByRole('button', { name: `${name}: not tapped`, exact: true }).click();
  }
  await page.getByRole('button', { name: `Mark it: ${told.length} tapped` }).click();
  await expect(mark(page)).toHaveText('100 of 100');
  await expect(page.getByText(/^Your best: 100 of 100, in 2 rounds\./)).toBeVisible();
  await page.getByRole('button', { name: 'Another round' }).click();
  await expect(page.getByText('ROUND 2')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('read it: two limits tried tell the gap', async ({ page }) => {
  await radio(page, 'Read it').click();
  await radio(page, 'Level 2').click();
  const blade = (size: string) => page.getByRole('button', { name: new RegExp(`^${size} mm`) });
  await blade('0.28').click();
  await blade('0.38').click();
  const enters = async (size: string) => (await blade(size).innerText()).includes('enters');
  const answer = !(await enters('0.28')) ? 'tight' : (await enters('0.38')) ? 'loose' : 'inside';
  await radio(page, `It is ${answer}`).click();
  await expect(mark(page)).toHaveText(/^(100|90) of 100$/);
});

test('where is it: cylinders are wiggled, the line is laid, the truth is shown', async ({
  page,
}) => {
  await radio(page, 'Where is it?').click();
  await page.getByRole('combobox').selectOption('1-3-4-2');
  await expect(page.getByRole('button', { name: 'Lay the line first' })).toBeDisabled();
  for (const cylinder of [1, 3, 4, 2]) {
    await page.getByRole('button', { name: new RegExp(`^Cylinder ${cylinder}\\.`) }).click();
  }
  await expect(page.getByText('4 of 4 cylinders wiggled.', { exact: false })).toBeVisible();
  await expect(
    page.getByRole('button', { name: /^Cylinder 1\. No\. 1 \w+: (loose|firm)/ }),
  ).toBeVisible();
  await page.getByRole('slider').focus();
  await page.keyboard.press('PageUp');
  await page.getByRole('button', { name: 'It stands here' }).click();
  await expect(mark(page)).toBeVisible();
  const [, truth] =
    /now: (\d+)°/.exec(await page.getByText(/^It stood where the line is now/).innerText()) ?? [];
  await expect(page.getByRole('slider')).toHaveAttribute('aria-valuenow', truth ?? '');
});

test('the whole job: hands at the engine, the true screens, and a mark for what was written down @more', async ({
  page,
}) => {
  const practised = new PractisedJob(page);
  await practised.begin(server.url, '1-3-4-2');
  await radio(page, 'The engine').click();
  await page.getByRole('button', { name: /^Cylinder 1\./ }).click();
  await expect(page.getByRole('heading', { name: 'No. 1 exhaust in hand' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await radio(page, 'The screen').click();
  await practised.wholeJob();
  await expect(mark(page)).toHaveText('100 of 100');
  await expect(page.getByText('Nothing was mistaken.')).toBeVisible();
  await page.getByRole('button', { name: 'Another round' }).click();
  await expect(page.getByText('ROUND 2')).toBeVisible();
  await expect(page.getByText(/^Your best: 100 of 100, in 1 round\./)).toBeVisible();
  // A foreman sees who has practised what, this round among it.
  await page.getByRole('button', { name: /^Who has practised what/ }).click();
  const ina = page.getByRole('group', { name: 'Ina', exact: true });
  await expect(ina.getByText('level 1: 100')).toBeVisible();
  // Nothing of it is a job of the shop, or waits to be sent.
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  await expect(page.getByText('1-3-4-2')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /unsent/ })).toHaveCount(0);
});

/** How each cause is told, and the answer that says it. */
const CAUSES: [told: RegExp, answer: RegExp][] = [
  [/jumped loose within one interval/, /^A locknut slipped/],
  [/much faster than the others/, /^One drifts apart/],
  [/were tight together/, /^Both of a cylinder are tight/],
  [/stood near the exhaust/, /^Intake and exhaust were exchanged/],
  [/was loose together/, /^All of a kind are loose/],
];

test('what is wrong: one who says nothing is told, and then finds it at its valve @more', async ({
  page,
}) => {
  const begin = async () => {
    await radio(page, 'What is wrong?').click();
    await radio(page, 'Level 2').click();
  };
  await begin();
  await expect(page.getByRole('button', { name: 'Say what is wrong' })).toBeDisabled();
  await radio(page, 'Nothing: it only wears').click();
  await page.getByRole('button', { name: 'Mark it: nothing is wrong' }).click();
  await expect(mark(page)).toHaveText('0 of 100');
  const told = await page.getByText(/Look at |Make sure /).innerText();
  const [, answer = /none/] = CAUSES.find(([words]) => words.test(told)) ?? [];
  const shown = await page
    .getByRole('heading', { name: /^No\. \d+ (intake|exhaust)$/ })
    .innerText();
  await page.reload();
  await begin();
  await page.getByRole('button', { name: `Show ${shown} large` }).click();
  await page.getByRole('radio', { name: answer }).click();
  await page.getByRole('button', { name: `Mark it: ${shown}` }).click();
  await expect(mark(page)).toHaveText('100 of 100');
});
