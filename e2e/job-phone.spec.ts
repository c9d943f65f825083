import type { Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { Rockers } from './support/rockers';
import { TestServer } from './support/server';
import { cutOffAt, violations } from './support/violations';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

const FIRST = ['intake 1', 'intake 2', 'intake 4', 'exhaust 1', 'exhaust 5', 'exhaust 3'];
const SECOND = ['intake 5', 'intake 3', 'intake 6', 'exhaust 6', 'exhaust 2', 'exhaust 4'];
const BLADES = { intake: ['0.30', '0.33'], exhaust: ['0.55', '0.58'] } as const;

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

/** "intake 5" as the heading of the panel names it. */
const headingOf = (name: string) => name.replace(/(\w+) (\d)/, 'No. $2 $1');

/** In a phone's browser, whose bars leave less height, this is seen as a whole without scrolling. */
async function isSeenBesideBars(page: Page, seen: Locator): Promise<void> {
  const size = page.viewportSize();
  await page.setViewportSize({ width: 390, height: 664 });
  await expect(seen).toBeInViewport({ ratio: 1 });
  if (size) await page.setViewportSize(size);
}

async function keepInTurn(job: JobPage, names: readonly string[]): Promise<void> {
  for (const name of names) {
    await expect(job.heading(headingOf(name))).toBeVisible();
    const [enters, stops] = BLADES[name.startsWith('intake') ? 'intake' : 'exhaust'];
    await job.keep(enters, stops);
  }
}

async function readAgain(job: JobPage, name: string): Promise<void> {
  await expect(job.heading(headingOf(name))).toBeVisible();
  const [enters, stops] = BLADES[name.startsWith('intake') ? 'intake' : 'exhaust'];
  await job.again(() => job.read(enters, stops));
}

test('the whole job on the six, with the server gone in the middle of stop 1', async ({ page }) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Brine pump 2');
  await job.prepare('6601');

  // Nothing is barred before every isolation is done; one does not apply, with its reason.
  await job.tap(/^Step 6: Stop 1/);
  await expect(page.getByText('Make the engine unable to start first.')).toBeVisible();
  await job.tap('Back to the present step');
  await job.tap('Does not apply: Jacket heater off at its breaker');
  await page.getByLabel('Why it does not apply').fill('Heater removed');
  await job.tap('Record the reason');
  await expect(page.getByText('Does not apply: Heater removed')).toBeVisible();
  await job.openUp();

  // The mark tells the crank, not the turn; four rockers tell the turn.
  await job.at('Find position');
  await job.see('Mark I at the pointer');
  await expect(page.getByText('One of 2 places, 9° and 9° wide.')).toBeVisible();
  await job.feel(1, 'loose');
  await expect(page.getByText('One of 2 places, 9° and 9° wide.')).toBeVisible();
  await job.feel(6, 'firm');

  // One tight valve is adjusted, locked, read again and painted; no tap asks for more than it tells.
  await job.at('Stop 1 of 2');
  const asked: string[] = [];
  page.on('request', (request) => request.method() === 'GET' && asked.push(request.url()));
  await expect(job.heading('No. 1 intake')).toBeVisible();
  await job.read('0.25', '0.28');
  await expect(page.getByText('Tight: 0.28 mm does not enter', { exact: false })).toBeVisible();
  await job.tap('Adjusted, locked at 46 N·m');
  await job.read('0.33', '0.35');
  await job.paint();
  await expect(job.heading('No. 2 intake')).toBeVisible();
  await isSeenBesideBars(page, job.button(/^0\.33 mm( stack)?: not tried$/));
  await expect(job.button(/unsent/)).toHaveCount(0);
  expect(asked.filter((url) => url.includes('/api/'))).toEqual([]);

  // The server goes away; readings go on, are kept, and are said to be unsent.
  await server.down();
  await keepInTurn(job, FIRST.slice(1, 3));
  await expect(job.button(/unsent/)).toBeVisible();
  await job.read(...BLADES.exhaust);
  await expect(job.button('Leave as found')).toBeVisible();

  // A reload once it is back loses nothing and resumes at the same adjuster.
  await server.up();
  await page.reload();
  await job.at('Stop 1 of 2');
  await expect(job.heading('No. 1 exhaust')).toBeVisible();
  await expect(job.button('Leave as found')).toBeVisible();
  await expect(job.button(/unsent/)).toHaveCount(0);

  // Undo takes back one tap.
  await job.tap(/^Undo: No. 1 exhaust/);
  await expect(job.button('0.58 mm stack: enters')).toBeVisible();
  await job.tap('0.58 mm stack: enters');
  await job.tap('Leave as found');
  await job.paint();
  await keepInTurn(job, FIRST.slice(4));

  // To the next stop: how far, which way, which mark, which rockers.
  await job.at('Stop 2 of 2');
  await expect(job.heading('Bar 360° clockwise')).toBeVisible();
  await expect(page.getByText('11 turns of the tool', { exact: false })).toBeVisible();
  await isSeenBesideBars(page, page.getByText(/^Pins out before the turn/));
  await expect(page.getByText('Mark I comes round once more.')).toBeVisible();
  await expect(job.heading(/No. 6 both loose, No. 1 both firm/)).toBeVisible();
  await job.barred();
  await keepInTurn(job, SECOND);

  await job.at('Once round again');
  // At each stop the first again, and one of each kind.
  await job.barred();
  await readAgain(job, FIRST[0] as string);
  await readAgain(job, FIRST[3] as string);
  await job.barred();
  await readAgain(job, SECOND[0] as string);
  await job.tap('The round is done');

  await job.at('Close up');
  await job.tap('Looked at, kept');
  await job.tickAll();

  // Bar and pins come out before any isolation is undone.
  await job.at('Make able to start');
  await expect(page.getByRole('checkbox')).toHaveCount(0);
  await job.tap('Bar and pins are out of the engine');
  await expect(page.getByText('Battery isolator on')).toHaveCount(0);
  await job.tickAll();

  await job.at('Run and sign');
  // A leak leads elsewhere: it says where, is mended, and the engine is run again.
  await page.getByRole('radio', { name: 'It leaks' }).click();
  await expect(job.button('Record the run')).toBeDisabled();
  await page.getByLabel('What leaks, and where').fill('Cover at the rear');
  await job.tap('Record the run');
  await expect(job.heading('It leaks')).toBeVisible();
  await job.tap('Mended, run again, no leaks');
  await job.tap('Sign and close the record');
  await expect(
    page.getByText(/^Next check: at the latest when the meter shows 7,201 h, or on/),
  ).toBeVisible();
  await job.tap('Open the record');
  await expect(
    page.getByText('it leaks, Cover at the rear; then no leaks, leak mended, run again'),
  ).toBeVisible();

  // The record holds every adjuster, as found and as left.
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(page.getByRole('row')).toHaveCount(13);
  await expect(row('No. 1 intake')).toContainText('0.25–0.28 mm, tight');
  await expect(row('No. 1 intake')).toContainText('locked at 46 N·m');
  await expect(row('No. 4 exhaust')).toContainText('0.55–0.58');
  await expect(page.getByText('did not apply: Heater removed', { exact: false })).toBeVisible();

  // Signed by the key of this phone; who has the link reads the record, and nothing else.
  await expect(
    page.getByText(/^Signed by the key of \S+ phone, .*: ([0-9a-f]{4}\s?){4}\.$/),
  ).toBeVisible();
  await job.tap(/^Share this record/);
  await job.tap('A link for 7 days');
  const link = await page.getByText(/\/api\/shared\/[\w-]{22}$/).innerText();
  const shared = await fetch(link);
  expect([shared.status, shared.headers.get('content-type')]).toEqual([200, 'application/pdf']);
  await job.tap('Take this link back');
  await job.tap('Take it back');
  await expect(page.getByText(/^A link by/)).toHaveCount(0);
  expect((await fetch(link)).status).toBe(404);

  // The machine's next check counts from this job, which stands in its history.
  await job.tap('Back to the machine');
  await expect(page.getByText('600 h left')).toBeVisible();
  await expect(page.getByText('6,601 h, 12 of 12 finished, signed by Ina')).toBeVisible();
});

test('the job resumes on the same step after a reload, and the yard leads back to it @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.opened(server.url, { machine: 'Harvest tractor 1', hours: 2540 });
  await page.reload();
  await job.at('Find position');

  // Its card is there before the script that reads its journal: a finger that rests on it meanwhile
  // leads on all the same.
  let here = () => {};
  const fetched = new Promise<void>((resolve) => {
    here = resolve;
  });
  await page.route(/\/all-\w+\.js$/, async (route) => {
    await fetched;
    await route.continue();
  });
  await page.goto(server.url);
  const card = page.getByRole('link', { name: /^Continue the job on Harvest tractor 1/ });
  await card.hover();
  await page.mouse.down();
  here();
  await expect(card).toHaveAccessibleName(/, Find position$/);
  await page.mouse.up();
  await job.at('Find position');

  // On the other turn the plan begins with it.
  await job.foundBy('TOP', new Rockers([1, 3, 4, 2]), 360);
  await expect(job.heading('No. 3 intake')).toBeVisible();
});

test('a job keeps the sheet it began with and says when there is a newer one @more', async ({
  page,
  request,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Harvest tractor 1');
  const sheets = (await (await request.get(`${server.url}/api/sheets`)).json()) as {
    id: string;
    name: string;
  }[];
  const id = sheets.find(({ name }) => name === 'Dunlin 4')?.id;
  const { document } = (await (await request.get(`${server.url}/api/sheets/${id}`)).json()) as {
    document: object;
  };
  const data = { id, document: { ...document, later: true } };
  expect((await request.post(`${server.url}/api/sheets`, { data })).status()).toBe(201);
  await page.reload();
  await expect(
    page.getByText('This job keeps revision 1 of its sheet.', { exact: false }),
  ).toBeVisible();
});

test('an event that the server refuses is set aside, shown, and sent again; the rest go on', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Brine pump 2');
  await page.route('**/events', async (route) => {
    const events = route.request().postDataJSON() as { type: string }[];
    const at = events.findIndex(({ type }) => type === 'hours.read');
    if (at < 0) return route.continue();
    const issues = [{ path: `${at}.hours`, message: 'No such hours.' }];
    return route.fulfill({ status: 400, json: { error: { message: 'No such hours.', issues } } });
  });
  await job.prepare('6601');
  await job.tap(/1 refused/);
  await expect(
    page.getByText('Hours 6,601 h, on Brine pump 2: No such hours.', { exact: false }),
  ).toBeVisible();
  const download = page.waitForEvent('download');
  await job.tap('Save them as a file');
  expect((await download).suggestedFilename()).toBe('long-bar-refused.json');
  await job.tap('Close');
  await job.openUp();
  await job.at('Find position');
  await expect(job.button(/1 refused/)).toBeVisible();
  await page.unroute('**/events');
  await job.tap(/1 refused/);
  await job.tap('Send them again');
  await expect(job.button(/refused|unsent/)).toHaveCount(0);
});

test('names, roles and contrast of a job hold by day and by night', async ({ page }) => {
  const job = new JobPage(page);
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /^Brine pump 2/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await job.start(server.url, 'Brine pump 2');
  await job.prepare('6601');
  expect(await violations(page)).toEqual([]);
  await job.openUp();
  await job.see('Mark I at the pointer');
  await job.feel(1, 'loose');
  expect(await violations(page)).toEqual([]);
  await job.feel(6, 'firm');
  await job.at('Stop 1 of 2');
  expect(await violations(page)).toEqual([]);
  await job.read('0.25', '0.28');
  expect(await violations(page)).toEqual([]);
});

test('a stop is worked on a phone on its side, and with a keyboard over half of it', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  const onItsSide = { width: 740, height: 330 };
  await page.setViewportSize(onItsSide);
  expect(await cutOffAt(page, onItsSide)).toEqual([]);
  await job.read('0.25', '0.28');
  await expect(job.button(/^Adjusted, locked at/)).toBeInViewport({ ratio: 1 });
  // The map stands beside it.
  await job.tap(/^Cylinder 2\. /);
  await expect(job.heading('No. 2 intake')).toBeVisible();
  await page.setViewportSize({ width: 390, height: 400 });
  await expect(job.button(/^Cylinder 2\. /)).toHaveCount(0);
  await job.read('0.25', '0.28');
  await expect(job.button(/^Adjusted, locked at/)).toBeInViewport({ ratio: 1 });
});
