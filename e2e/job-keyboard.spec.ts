import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { TestServer } from './support/server';

test.use({ viewport: { width: 1280, height: 800 } });

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

/** Goes from control to control until one so named has the focus, the shorter way round. */
async function keyTo(page: Page, name: RegExp): Promise<void> {
  await new JobPage(page).settled();
  // Where what had the focus went away, the way begins at the next control.
  if (await page.evaluate(() => document.activeElement === document.body)) {
    await page.keyboard.press('Tab');
  }
  const way = await (await page.waitForFunction(shorterWay, name.source)).jsonValue();
  for (let i = 0; way && i < way.times; i++) await page.keyboard.press(way.key);
  // What comes or goes on the way makes it longer.
  for (let i = 0; i < 120; i++) {
    if (name.test(await page.evaluate(focused))) return;
    await page.keyboard.press('Shift+Tab');
  }
  throw new Error(`No control ${name} is reached by the keyboard.`);
}

function focused(): string {
  const at = document.activeElement;
  return at?.getAttribute('aria-label') ?? at?.textContent ?? '';
}

/** How often Tab is to be pressed, or Shift+Tab, to come to the control so named, once it is there. */
function shorterWay(name: string): { key: 'Tab' | 'Shift+Tab'; times: number } | undefined {
  const wanted = new RegExp(name);
  const every = [
    ...document.querySelectorAll<HTMLElement>('a, button, input, textarea, [tabindex]'),
  ];
  const stops = every.filter((each) => each.tabIndex >= 0 && each.getClientRects().length > 0);
  const at = document.activeElement;
  const behind = (each: Element) =>
    !!at && !!(at.compareDocumentPosition(each) & Node.DOCUMENT_POSITION_FOLLOWING);
  const nameOf = (each: Element) => each.getAttribute('aria-label') ?? each.textContent ?? '';
  const forth = stops.filter(behind).findIndex((each) => wanted.test(nameOf(each)));
  const before = stops.filter((each) => each !== at && !behind(each)).reverse();
  const back = before.findIndex((each) => wanted.test(nameOf(each)));
  if (at && wanted.test(nameOf(at))) return { key: 'Tab', times: 0 };
  if (forth >= 0 && (back < 0 || forth <= back)) return { key: 'Tab', times: forth + 1 };
  return back < 0 ? undefined : { key: 'Shift+Tab', times: back + 1 };
}

async function press(page: Page, name: RegExp, key = 'Enter'): Promise<void> {
  await keyTo(page, name);
  await page.keyboard.press(key);
}

test('a whole job by keyboard alone', async ({ page }) => {
  const job = new JobPage(page);
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Harvest tractor 1/ })).toBeVisible();
  await press(page, /^Harvest tractor 1/);
  await expect(page.getByLabel('Who works')).toBeVisible();
  await keyTo(page, /^Who works$/);
  await page.keyboard.type('Ina');
  await press(page, /^Start a lash job$/);
  await job.at('Why');
  await press(page, /^It is due$/);
  await press(page, /^Continue$/);
  await job.at('Ready');
  await press(page, /^Overnight$/);
  await keyTo(page, /^What the hour meter shows$/);
  await page.keyboard.type('2540');
  await press(page, /^Record .* h$/);
  const tick = async () => {
    const open = page.getByRole('checkbox', { checked: false });
    await expect(open.first()).toBeVisible();
    while ((await open.count()) > 0) {
      const name = (await open.first().getAttribute('aria-label')) ?? '';
      await keyTo(page, new RegExp(`^${name.replace(/[.?()[\]]/g, '\\$&')}$`));
      await page.keyboard.press('Space');
      const same = page.getByRole('checkbox', { name, exact: true, checked: false });
      await expect(same).toHaveCount(0);
    }
  };
  await tick();
  await job.at('Open up');
  await press(page, /^Covers off, all noted$/);
  await job.at('Find position');
  await press(page, /^Mark TOP at the pointer$/);
  for (const [cylinder, feel] of [
    [1, 'loose'],
    [4, 'firm'],
  ] as const) {
    await press(page, new RegExp(`^No. ${cylinder} exhaust ${feel}$`));
    await press(page, new RegExp(`^No. ${cylinder} intake ${feel}$`));
  }
  // This engine's overlap is short: a third cylinder tells the turn for sure.
  await press(page, /^No. 3 exhaust loose$/);
  await job.at('Stop 1 of 2');

  // The keys are listed on ?.
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('type a reading');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toHaveCount(0);

  const typed = async (figures: string) => {
    await page.keyboard.type(figures);
    await page.keyboard.press('Enter');
  };
  const keep = async (figures: string) => {
    await typed(figures);
    await press(page, /^Leave as found$/);
    await press(page, /^Paint dab on the nut$/);
  };
  // Half a cycle on, the third cylinder is felt the other way about.
  let turned = false;
  const third = () => {
    turned = !turned;
    return press(page, turned ? /^No. 3 exhaust firm$/ : /^No. 3 exhaust loose$/);
  };
  const toStop = () => press(page, /^There(, all as told)?$/);
  await job.workThrough('Stop', {
    intake: () => keep('0.25 0.30'),
    exhaust: () => keep('0.38 0.42'),
    'On the way': toStop,
    'Where does it stand?': () => third(),
  });
  await job.workThrough('Once round again', {
    intake: async () => {
      await typed('0.25 0.30');
      await press(page, /^Next$/);
    },
    exhaust: async () => {
      await typed('0.38 0.42');
      await press(page, /^Next$/);
    },
    'Once round again': () => press(page, /^The round is done$/),
    'Where does it stand?': () => third(),
    'On the way': toStop,
  });
  await job.at('Close up');
  await press(page, /^Looked at, kept$/);
  await tick();
  await job.at('Make able to start');
  await press(page, /^Bar and pins are out of the engine$/);
  await tick();
  await job.at('Run and sign');
  await press(page, /^No leaks$/);
  await press(page, /^Record the run$/);
  // Enter never does what keeps people safe, and signs nothing.
  await press(page, /^Sign and close the record$/, 'Space');
  await expect(page.getByRole('heading', { name: 'Signed', exact: true })).toBeVisible();
});

test('the rest goes on paper with blanks, and a slip of the pen is asked about', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  await job.tap('Type it');
  const field = page.getByLabel('What enters and what does not, mm');
  // Hundredths typed as millimetres are no gap at all: what may be meant is one tap away.
  await field.fill('30 33');
  await job.tap('Record what is typed');
  await expect(page.getByRole('alert')).toContainText('was 0.30 0.33 mm or 30 33 thou meant?');
  await field.fill('3.0 3.5');
  await job.tap('Record what is typed');
  await expect(page.getByRole('alert')).toContainText('ten times off');
  await job.tap('Read it again');
  await job.keep('0.30', '0.33');
  await job.tap('Ina works. Hand over to another');
  await job.tap('The rest on paper, with blanks');
  const first = page.getByRole('table', { name: 'Stop 1' });
  await expect(first.getByRole('row')).toHaveCount(5);
  await expect(first).not.toContainText('No. 1 intake');
  await expect(first).toContainText('left ________locked at 46 N·m ____');
  await expect(page.getByText(/^Set cold, after 4 h at rest/)).toBeVisible();
  await expect(page.getByRole('table', { name: 'Stop 2' }).getByRole('row')).toHaveCount(6);
  await expect(first).toContainText('There: No. 1 both loose, No. 6 both firm.');
  await expect(page.getByText(/^Bar it clockwise, seen from the front. Never/)).toBeVisible();

  // One form types it all in: all of it, or nothing where a figure cannot be.
  await job.tap('Type in what is on the paper');
  const type = (name: string, figures: string) => page.getByLabel(name).fill(figures);
  await type('No. 2 intake as found', '0.30 0.33');
  await type('No. 1 exhaust as found', '0.50 0.53');
  await type('No. 1 exhaust as left', '55 58');
  await page.getByRole('checkbox', { name: /^No. 1 exhaust locked at 46/ }).click();
  await job.tap('Record all of it');
  await expect(page.getByText('Nothing is recorded yet: No. 1 exhaust')).toBeVisible();
  await type('No. 1 exhaust as left', '0.55 0.58');
  await job.tap('Record all of it');
  await expect(first.getByRole('row')).toHaveCount(3);
  await job.tap('Back to the job');
  await job.at('Find position');
});
