import { expect, test } from '@playwright/test';
import { JobPage } from './support/jobPage';
import { Rockers } from './support/rockers';
import { TestServer } from './support/server';
import { cutOffAt } from './support/violations';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
// Whole jobs, tap by tap.

let server: TestServer;
test.beforeEach(async () => {
  server = await TestServer.start();
});
test.afterEach(() => server.end());

test('the truck: hold-downs first, valves, injectors by height, brakes at full lift @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Salt truck 3', 'Two positions');
  await job.isDue();
  await page.getByRole('radio', { name: 'U6-B' }).click();
  await expect(page.getByText('injector height 70.20 mm', { exact: false })).toBeVisible();
  await job.rest('Overnight', '7950');
  await job.tickAll();
  await job.at('Open up');
  await page.getByLabel('What came off').fill('Ground wire');
  await page.getByLabel('Where it belongs').fill('rear cover bolt');
  await job.tap('Note it');
  await job.tap('Covers off, all noted');

  // The hold-downs in the manual's order; an adapter lowers the setting.
  await job.at('Torque first');
  await expect(job.heading('Wrench at 29 N·m (21.4 lb·ft)')).toBeVisible();
  await job.tap('With a torque adapter');
  await page.getByLabel('Wrench, drive to hand, mm').fill('400');
  await page.getByLabel('Adapter, drive to nut, mm').fill('60');
  await expect(job.heading('Wrench at 25.2 N·m (18.6 lb·ft)')).toBeVisible();
  for (let n = 1; n <= 6; n++) await job.tap(`Fastener ${n} is at 29 N·m (21.4 lb·ft)`);
  await job.runDown(1, 6, '58 N·m');

  await job.foundBy('A', new Rockers([1, 4, 2, 6, 3, 5]), 0);

  // An injector above its height is brought down; the tag's setting counts.
  await expect(job.heading(/^No. \d injector/)).toBeVisible();
  await expect(page.getByText('70.10 to 70.30, height')).toBeVisible();
  await job.tap('More by 0.10 mm');
  await job.tap('More by 0.10 mm');
  await job.tap('Read 70.40 mm');
  await expect(page.getByText('Too high: over 70.30 mm.', { exact: false })).toBeVisible();
  await job.tap('Adjusted, locked at 55 N·m');
  await job.tap('Read 70.20 mm');
  await job.paint();

  await job.workThrough('Stop', {
    injector: async () => {
      await job.tap('Read 70.20 mm');
      await job.tap('Leave as found');
      await job.paint();
    },
    intake: () => job.keep('0.25', '0.30'),
    exhaust: async () => {
      if (!(await job.heading('No. 4 exhaust').isVisible())) return job.keep('0.50', '0.55');
      // Its seat recedes: it is offered where it stays inside longest, the target beside it.
      await job.read('0.35', '0.40');
      await expect(
        page.getByText(/^It closes \d+ µm in 1,000 h: from 0.54 mm it lasts/),
      ).toBeVisible();
      await job.tap('Set to 0.54 mm instead');
      await expect(page.getByText('the maker’s target is 0.50 mm')).toBeVisible();
      await expect(page.getByText(/^Tight: .* Bring it to 0.54 mm\.$/)).toBeVisible();
      await job.tap('Adjusted, locked at 61 N·m');
      // It is read from its top again, and the row begins where it is to be set.
      await expect(job.heading('No. 4 exhaust')).toBeInViewport({ ratio: 1 });
      const blade = page.getByRole('button', { name: /^0\.54 mm( stack)?: not tried$/ });
      await expect(blade).toBeInViewport();
      await job.read('0.54', '0.55');
      await job.paint();
    },
    brake: () => job.keep('1.95', '2.00'),
  });
  await job.workThrough('Once round again', {
    injector: () => job.again(() => job.tap('Read 70.20 mm')),
    intake: () => job.again(() => job.read('0.25', '0.30')),
    exhaust: () => job.again(() => job.read('0.50', '0.55')),
    brake: () => job.again(() => job.read('1.95', '2.00')),
  });

  // What was noted while opening comes back as a row to tick.
  await job.at('Close up');
  await expect(
    page.getByRole('checkbox', { name: 'Ground wire: back to rear cover bolt' }),
  ).toBeVisible();
  // The covers go down in rounds, bolt by bolt.
  const bolts = [1, 2, 3, 4, 5, 6, 7, 8];
  const rounds = ['6 N·m (4.4 lb·ft)', '12 N·m (8.9 lb·ft)'].flatMap((torque) =>
    bolts.map((n) => `Fastener ${n} is at ${torque}`),
  );
  await job.finish(rounds);
  await job.tap('Open the record');
  await expect(page.getByRole('row')).toHaveCount(25);
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(row('No. 2 brake')).toContainText('1.95–2.00');
  await expect(row('No. 4 exhaust')).toContainText(
    'aimed at 0.54 mm by its drift, the target is 0.50 mm',
  );
});

test('the loader: measured everywhere, shims worked out, fitted and read again', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.toTheLoader(server.url);

  // One intake is tight; its shim has to be changed for a thinner one.
  let first = true;
  const measure = async (enters: string, stops: string) => {
    await job.read(enters, stops);
    await job.tap(/^Shim in it: 2.50 mm$/);
  };
  const wheel = async () => {
    await expect(job.button(/^Shim thinner by 0.01/)).toBeVisible();
    expect(await cutOffAt(page, { width: 360, height: 740 })).toEqual([]);
  };
  await job.workThrough('Stop', {
    intake: async () => {
      const tight = first;
      first = false;
      if (!tight) return measure('0.25', '0.30');
      // Its gap is read as closely as its limits are apart, before its shim is asked for.
      await job.read('0.08', '0.20');
      await expect(page.getByText('Known to ±0.06 mm only: try a blade between.')).toBeVisible();
      await expect(job.button(/^Shim thinner/)).toHaveCount(0);
      await job.tap('0.15 mm: not tried');
      await wheel();
      await job.tap(/^Shim in it: 2.50 mm$/);
    },
    exhaust: () => measure('0.35', '0.40'),
  });
  await job.at('Shims');
  const sums = page.getByRole('table', { name: 'The sums' });
  await expect(sums.getByRole('row')).toHaveCount(10);
  await expect(sums).toContainText('2.50 + 0.175 − 0.275 = 2.40 mm');
  await job.tap('Fit them like this');
  await job.workThrough('Shims', {
    intake: async () => {
      // One blade that enters says that it is loose, and not by how much.
      await job.tap('0.35 mm: not tried');
      await expect(page.getByText('try thicker blades until one does not enter')).toBeVisible();
      await job.tap('0.35 mm: enters');
      await job.read('0.25', '0.30');
      await job.tap(/intake finished$/);
    },
    'At this stop': () => job.tap(/shim 2.50 mm out, shim 2.40 mm in$/),
  });
  await job.at('Once round again');
  await job.workThrough('Once round again', {
    intake: () => job.again(() => job.read('0.25', '0.30')),
    exhaust: () => job.again(() => job.read('0.35', '0.40')),
  });
  await job.finish();
  await expect(page.getByRole('heading', { name: 'Signed', exact: true })).toBeVisible();
});

test('the barge: hot, against its window @more', async ({ page }) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Barge', 'Each cylinder');
  await job.isDue();
  await page.getByRole('radio', { name: 'Ran 10 min' }).click();
  await expect(page.getByText('Not hot through yet', { exact: false })).toBeVisible();
  await page.getByRole('radio', { name: 'Ran 45 min' }).click();
  await page.getByRole('radio', { name: 'Shut down 5 min ago' }).click();
  await expect(page.getByText('Hot figures hold for 40 min yet.')).toBeVisible();
  await page.getByLabel('What the hour meter shows').fill('3380');
  await job.tap(/^Record .* h$/);
  await job.openUp();
  await job.found('OT 1-6', 1, 6);
  await expect(page.getByText('Hot figures hold for', { exact: false })).toBeVisible();
  // Both banks of a vee leave room for the blades.
  await expect(page.getByText('Bank B: nothing to set here')).toBeVisible();
  await expect(page.getByRole('button', { name: '0.40 mm: not tried' })).toBeInViewport();
  await job.workThrough('Stop', {
    intake: () => job.keep('0.40', '0.45'),
    exhaust: () => job.keep('0.60', '0.65'),
  });
  await job.at('Once round again');
});

test('the welder: a nut that is seized ends honestly, as incomplete, and stays due @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.start(server.url, 'Welder');
  await job.isDue();
  await job.rest('Overnight', '40');
  await job.openUp();
  await job.at('Find position');
  await job.see('No. 1 rocks at overlap');
  const blades = { intake: ['0.15', '0.18'], exhaust: ['0.20', '0.23'] } as const;
  let seized = false;
  const exhaust = async () => {
    if (seized) return;
    seized = true;
    await job.tap('Cannot be set');
    await page.getByRole('radio', { name: 'Seized or rounded' }).click();
    await page.getByLabel('In a few words').fill('Nut turns with the screw');
    await page.getByRole('radio', { name: 'Not to be run' }).click();
    await job.tap('Record that it cannot be set');
  };
  await job.workThrough('Stop', { intake: () => job.keep(...blades.intake), exhaust });
  await job.workThrough('Once round again', {
    intake: () => job.again(() => job.read(...blades.intake)),
  });
  await job.at('Close up');
  // With another socket it is tried once more, and does not come loose then either.
  await job.tap('Ina works. Hand over to another');
  await job.tap('No. 1 exhaust can be set after all');
  seized = false;
  await job.workThrough('Stop', { exhaust });
  await job.workThrough('Once round again', {});
  await job.at('Close up');
  await job.tap('New gasket');
  await job.tickAll();
  await job.tap('Bar and pins are out of the engine');
  await job.tickAll();
  // What was said not to be run is not run: nobody is asked how it ran.
  await expect(job.heading('Not to be run')).toBeVisible();
  await expect(page.getByRole('radio')).toHaveCount(0);
  await job.tap('Not run, and says so');
  await page.getByLabel('What they should know').fill('Nut was rounded');
  await job.tap('Keep the note');
  await job.tap('Close as incomplete');
  await expect(job.heading('Signed as incomplete')).toBeVisible();
  await job.tap('Open the record');
  const words = 'cannot be set: seized, Nut turns with the screw, must not be run so';
  await expect(page.getByText(words, { exact: false })).toBeVisible();
  await expect(page.getByText('not run: because of No. 1 exhaust')).toBeVisible();
  await expect(
    page.getByText(/No\. 1 exhaust was given up, and taken up again: seized, Nut turns/),
  ).toBeVisible();

  // The note stands at the start of the next job.
  await job.start(server.url, 'Welder');
  await expect(page.getByText('Nut was rounded', { exact: false })).toBeVisible();
});

test('a swap is asked about before anything is turned, and two people each say clear @more', async ({
  page,
}) => {
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  await job.read('0.55', '0.60');
  await expect(page.getByRole('alert')).toContainText('the setting of the No. 1 exhaust');
  await expect(job.button(/^Adjusted, locked/)).toHaveCount(0);
  await job.tap('Read it again');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await job.read('0.55', '0.60');
  await job.tap('Looked: it is so');
  await expect(page.getByRole('alert')).toContainText('Far looser than its limits');
  // Nothing is said of turning before it was looked at.
  await expect(page.getByText(/Bring it to|Turn in about|Back off about/)).toHaveCount(0);
  // What is asked is before the eyes of whoever answers it, on a small screen, too.
  const size = page.viewportSize();
  await page.setViewportSize({ width: 320, height: 568 });
  await expect(page.getByRole('alert')).toBeInViewport({ ratio: 1 });
  await expect(job.button('Looked: it is so')).toBeInViewport({ ratio: 1 });
  if (size) await page.setViewportSize(size);
  await job.tap('Looked: it is so');
  await expect(job.button(/^Adjusted, locked at/)).toBeVisible();
  await expect(page.getByText(/Bring it to/)).toBeVisible();

  // Handing over is recorded; both have to say clear before the start.
  await job.tap('Ina works. Hand over to another');
  await page.getByLabel('Who carries on').fill('Orla');
  await job.tap('Hand over');
  await expect(job.button('Orla works. Hand over to another')).toBeVisible();
  // What Ina did is not Orla's to take back.
  await expect(job.button(/^Undo/)).toHaveCount(0);
});
