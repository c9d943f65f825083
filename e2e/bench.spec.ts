import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { keptOnPhone } from './support/keptOnPhone';
import { pdfLines } from './support/pdfLines';
import { TestServer } from './support/server';
import { violations } from './support/violations';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

test.describe('without signal', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a quick chart, from opening the application to the printed card', async ({
    page,
    context,
  }) => {
    await page.goto(server.url);
    await expect(page.getByRole('link', { name: /^Welder/ })).toBeVisible();
    await keptOnPhone(page);
    await page.close();
    await server.down();

    const phone = await context.newPage();
    await phone.goto(server.url);
    await phone.getByRole('link', { name: 'Bench' }).click();
    const show = phone.getByRole('button', { name: /^Show the chart/ });
    for (const cylinder of [1, 3, 4]) {
      await phone.getByRole('checkbox', { name: `Cylinder ${cylinder}`, exact: true }).click();
    }
    await expect(show).toBeDisabled();
    await expect(phone.getByRole('alert')).toHaveText('Cylinder 4 is in it, and 2 is not.');
    await phone.getByRole('checkbox', { name: 'Cylinder 2', exact: true }).click();
    await show.click();
    await expect(phone.getByText('2 stops, 360° of turning.', { exact: false })).toBeVisible();
    await phone.getByRole('button', { name: /^Why each valve/ }).click();
    await phone.getByRole('button', { name: /^No\. 4 exhaust: 130° clear of its lobe/ }).click();
    await expect(phone.getByRole('slider')).toHaveAttribute('aria-valuenow', '360');
    await phone.getByRole('radio', { name: 'By the mate' }).click();
    await phone.getByRole('button', { name: 'Pocket card to print' }).click();
    await phone.emulateMedia({ media: 'print' });
    await expect(phone.getByText('Firing order 1-3-4-2')).toBeVisible();
    await expect(phone.getByText('When No. 4 rocks.')).toBeVisible();
    await expect(phone.getByRole('button', { name: 'Print' })).toBeHidden();

    // Practice as well: its engine is prepared beside the page, by a script of its own.
    await phone.emulateMedia({ media: 'screen' });
    await phone.goto(`${server.url}/bench/practice`);
    await phone.getByRole('radio', { name: 'The whole job' }).click();
    await phone.getByRole('button', { name: 'Begin the job' }).click();
    await expect(phone.getByText('Why · step 1 of 11')).toBeVisible();
  });
});

test('each sum answers, and says what is missing', async ({ page }) => {
  const sum = async (name: string) => {
    await page.goto(`${server.url}/bench`);
    await page.getByRole('link', { name }).click();
    await expect(page.getByRole('heading', { name })).toBeVisible();
  };
  const says = (figure: string) =>
    expect(page.getByRole('status').filter({ hasText: figure })).toBeVisible();
  await sum('Blades for a gap');
  await page.getByLabel('Wanted gap, mm').fill('13 thou');
  await says('0.30 + 0.03 mm');
  await sum('What this set can decide');
  await page.getByLabel('Upper limit, mm').fill('0.30');
  await expect(page.getByText('The target lies between the two limits.')).toBeVisible();
  await sum('Millimetres and thou');
  await page.getByLabel('Gap, mm').fill('0.58');
  await says('0.58 mm, 23 thou');
  await sum('Turn of the screw');
  await page.getByLabel('Rocker ratio').fill('1.25');
  await page.getByLabel('Gap now, mm').fill('0.455');
  await says('Turn in 36°');
  await sum('Torque with an adapter');
  await page.getByLabel('Angle between them, °').fill('90');
  await says('Wrench at 45 N·m');
  await page.getByRole('radio', { name: 'lb·ft' }).click();
  await expect(page.getByLabel('Wanted at the nut')).toHaveValue('33.19');
  await says('Wrench at 33.2 lb·ft');
  await page.getByLabel('Angle between them, °').fill('a lot');
  await expect(page.getByRole('alert')).toHaveText('A figure, such as 12.5.');
  await sum('Units of torque');
  await page.getByRole('radio', { name: 'lb·ft' }).click();
  await says('61 N·m');
  await sum('Degrees at the pulley');
  await page.getByLabel('Tool turns for one of the crank').fill('11');
  await page.getByLabel('Clicks of its ratchet a turn').fill('60');
  await says('220 clicks');
  await sum('Shims');
  await page.getByRole('button', { name: 'One more bucket' }).click();
  await page.getByLabel('Shim 2, mm').fill('2.65');
  await page.getByLabel('Gap 2, mm').fill('0.28');
  await says('2: 2.65 mm stays');
  await sum('Hours to a date');
  await page.getByLabel('It is to show, h').fill('5,000');
  await expect(page.getByText('The meter shows that already.')).toBeVisible();
});

/** The upright lines of a page that reach over the whole of a strip, mm from its left. */
function tops(pdf: Buffer): number[] {
  return pdfLines(pdf)
    .filter(
      ({ x1, x2, y1, y2 }) => Math.abs(x1 - x2) < 0.01 && Math.abs(Math.abs(y1 - y2) - 16) < 0.1,
    )
    .map(({ x1 }) => x1);
}

test('a strip, a disc and a check line are on paper as large as they say', async ({ page }) => {
  await page.goto(`${server.url}/bench/strip?order=1-5-3-6-2-4`);
  await page.getByRole('radio', { name: 'A4' }).click();
  // So wide that a third of a turn is 200 mm.
  await page.getByRole('radio', { name: 'Once round' }).click();
  await page.getByLabel('Round the rim, mm').fill('600');
  const sheet = page.getByRole('group', { name: 'Sheet 1' });
  await expect(sheet.getByLabel(/^Part 1 of 3: 1-5-3-6-2-4/)).toBeVisible();
  const pdf = await page.pdf({ preferCSSPageSize: true });
  const level = pdfLines(pdf).filter(({ y1, y2 }) => Math.abs(y1 - y2) < 0.01);
  const near = (mm: number) => level.some(({ x1, x2 }) => Math.abs(Math.abs(x2 - x1) - mm) < 0.05);
  expect(near(100)).toBe(true);
  // The tops of 1 and 5 are a third of a turn apart, at whichever part of the strip.
  const at = tops(pdf);
  const apart = at.flatMap((from) => at.map((to) => Math.abs(to - from - 200)));
  expect(Math.min(...apart)).toBeLessThan(0.2);

  await page.goto(`${server.url}/bench/disc`);
  await page.getByRole('radio', { name: 'A4' }).click();
  await page.getByLabel('Across, mm').fill('400');
  await expect(page.getByRole('button', { name: 'Print' })).toBeDisabled();
  await page.getByLabel('Across, mm').fill('150');
  await expect(page.getByRole('img', { name: 'Degree disc, 150 mm across' })).toBeVisible();
  const disc = pdfLines(await page.pdf({ preferCSSPageSize: true }));
  // Opposite marks of a third and a sixth of a turn end on the edge, a diameter apart.
  const ends = disc.flatMap(({ x1, y1, x2, y2 }) => [
    { x: x1, y: y1 },
    { x: x2, y: y2 },
  ]);
  const farthest = Math.max(...ends.map(({ y }) => y)) - Math.min(...ends.map(({ y }) => y));
  expect(farthest).toBeGreaterThan(149.8);
});

test('in a job the sums begin with its figures, one tap away @more', async ({ page }) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  await page.getByRole('button', { name: 'Sums with these figures' }).click();
  await expect(page.getByRole('radio', { name: 'Blades for a gap' })).toBeChecked();
  await expect(page.getByLabel('Wanted gap, mm')).toHaveValue('0.33');
  await page.getByRole('radio', { name: 'Hours to a date' }).click();
  await expect(page.getByLabel('The meter shows, h')).toHaveValue('6601');
  await page.getByRole('button', { name: 'Back to the job' }).click();
  await job.at('Stop \\d+ of 2');
});

test('the section is turned by a finger and by keys, step by step of the lesson @more', async ({
  page,
}) => {
  await page.goto(`${server.url}/bench/chart?order=1-3-4-2`);
  await page.getByRole('button', { name: /^Why it works/ }).click();
  await expect(page.getByText('By an engine that fires 1-3-4-2')).toBeVisible();
  const section = page.getByRole('img', { name: /^Section of No\. 1/ });
  await expect(section).toHaveAccessibleName(/power stroke, exhaust shut, with its gap/);
  const line = page.getByRole('slider');
  const done = page.getByRole('status').filter({ hasText: /^Twice the piston was at its top/ });
  await expect(done).toHaveCount(0);
  await line.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('PageUp');
  await expect(done).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(
    page.getByRole('heading', { name: 'The cam turns at half the speed' }),
  ).toBeVisible();
  // A finger across the section turns the engine in every drawing at once.
  await section.scrollIntoViewIfNeeded();
  const box = (await section.boundingBox())!;
  const [x, y] = [box.x + box.width / 4, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 100, y, { steps: 10 });
  await page.mouse.up();
  await expect(line).toHaveAttribute('aria-valuenow', '700');
  await expect(page.getByText('No. 1 at 700°: compression')).toBeVisible();
  await page.getByRole('radio', { name: 'Overhead cam' }).click();
  expect(await violations(page)).toEqual([]);
});

test('names, roles and contrast of the bench hold by day and by night @more', async ({ page }) => {
  for (const path of [
    '',
    '/chart?order=1-3-4-2',
    '/set',
    '/screw',
    '/adapter',
    '/shims',
    '/strip',
  ]) {
    await page.goto(`${server.url}/bench${path}`);
    await expect(page.getByRole('heading').first()).toBeVisible();
    expect(await violations(page)).toEqual([]);
  }
});
