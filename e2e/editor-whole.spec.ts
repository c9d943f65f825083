import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { TestServer } from './support/server';

test.use({ viewport: { width: 1280, height: 800 } });

/** The smallest picture there is. */
const PNG =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
/** A sheet made by hand that holds everything the schema knows. */
const BY_HAND = {
  format: 'longbar.sheet/1',
  name: 'Avocet 4',
  source: { title: 'Owner’s book', page: '7-3', revision: 'B', checked: '2026-05-02' },
  cycle: 4,
  firing: { order: [1, 2, 4, 3], gaps: [170, 190, 170, 190] },
  rotation: { seenFrom: 'rear', sense: 'counterclockwise', reversible: true },
  layout: {
    banks: [{ name: 'A', cylinders: [1, 2, 3, 4], valves: ['EJI', 'EJI', 'EJI', 'EJI'] }],
    numberedFrom: 'front',
  },
  lobes: {
    intake: { opens: 340, closes: 580, peak: 455 },
    exhaust: { opens: 132, closes: 378 },
    injector: { opens: 645, closes: 1015, peak: 700 },
    assumed: [],
  },
  adjusters: [
    {
      kind: 'intake',
      setAt: 'base',
      method: 'screw',
      spec: { low: 280, target: 330, high: 380 },
      locknut: { torque: 46 },
      screw: { pitch: 1250, ratio: 1.4, side: 'valve' },
      guard: 25,
    },
    {
      kind: 'exhaust',
      setAt: 'base',
      method: 'shim',
      perCylinder: 2,
      spec: { low: 530, target: 580, high: 630 },
    },
    {
      kind: 'injector',
      measure: 'height',
      method: 'screw',
      spec: { low: 69700, target: 69800, high: 69900 },
      setAt: { peak: 'intake', within: 15 },
      follows: 1,
      after: ['exhaust'],
    },
    {
      kind: 'brake',
      measure: 'preload',
      method: 'screw',
      spec: { low: 800, target: 900, high: 1000 },
      setAt: { window: [20, 80] },
    },
  ],
  temperature: {
    state: 'hot',
    soakMinutes: 20,
    windowMinutes: 45,
    metal: { from: 60, to: 90 },
  },
  marks: [{ name: 'T', at: 0 }],
  barring: { ratio: 11, teeth: 36, rim: 400000 },
  isolations: [{ id: 'isolation-1', text: 'Fuel shut', undo: 'Fuel open' }],
  torques: [
    {
      id: 'torque-1',
      name: 'Hold-downs',
      when: 'first',
      torque: 58,
      fasteners: [
        { x: 1, y: 0 },
        { x: 0, y: 1 },
      ],
      stages: [{ percent: 50 }, { torque: 58 }, { angle: 90 }],
    },
  ],
  tools: ['Height gauge'],
  parts: ['Cover gasket'],
  cautions: ['Stored voltage: wait ten minutes.'],
  variants: [
    { tag: 'B-1', adjusters: [{ kind: 'intake', spec: { low: 300, target: 350, high: 400 } }] },
  ],
  service: { breakInHours: 50, everyHours: 500, everyMonths: 12 },
  chart: [
    { mark: 'T', turn: 1, set: ['intake.1'], note: 'No. 1 firing' },
    { cylinder: 4, at: 'overlap', set: ['exhaust.4.1'] },
    { at: 90, set: ['intake.2'] },
  ],
};

test('a sheet written field by field, with everything the schema holds, is the one made by hand @more', async ({
  page,
}) => {
  // A hundred fields take their time on a slow machine.
  const server = await TestServer.start({ empty: true });
  await server.pairWith(page.context());
  await page.goto(`${server.url}/sheets/new`);
  await write(page);
  await page.getByRole('button', { name: 'Publish revision 1' }).click();
  await expect(page.getByRole('heading', { name: 'Where to stop' })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the sheet as a file' }).click(),
  ]);
  const exported = JSON.parse(readFileSync(await file.path(), 'utf8'));
  const written = exported.sheets[0].document;
  // Its photo goes with it, under the hash of its bytes.
  const [photo] = exported.photos;
  const hash = createHash('sha256').update(Buffer.from(photo.base64, 'base64')).digest('hex');
  expect(photo.sha256).toBe(hash);
  const byHand = { ...BY_HAND, photos: [{ sha256: hash, type: photo.type, what: 'Page 7-3' }] };
  // Field by field, so that what differs is named.
  for (const [key, value] of Object.entries(byHand))
    expect({ [key]: written[key] }).toEqual({ [key]: value });
  expect(Object.keys(written).sort()).toEqual(Object.keys(byHand).sort());
  await server.end();
});

async function write(page: Page): Promise<void> {
  const press = (name: string | RegExp) => page.getByRole('button', { name }).first().click();
  const choose = (name: string | RegExp) =>
    page
      .getByRole('radio', { name, exact: true })
      .or(page.getByRole('checkbox', { name, exact: true }))
      .first()
      .click();
  const type = (label: string, text: string) => page.getByLabel(label, { exact: true }).fill(text);
  const open = (title: string) => press(new RegExp(`^${title}: `));

  await type('Name of the engine', BY_HAND.name);
  await choose('In line, 4 cylinders');
  await press('Next: Firing order');
  for (const cylinder of BY_HAND.firing.order) {
    await page
      .getByRole('checkbox', { name: new RegExp(`^Cylinder ${cylinder}( fires.*)?$`) })
      .click();
  }
  await press('It fires unevenly');
  for (const [i, gap] of BY_HAND.firing.gaps.entries()) {
    const [from, to] = [0, 1].map((on) => BY_HAND.firing.order[(i + on) % 4]);
    await type(`From ${from} to ${to}, degrees`, String(gap));
  }
  await press('Next: Valves');
  await choose('Cylinder 1 at the front');
  await press('Next: Limits');
  await choose('intake: the manual gives target ±');
  await type('Target, intake, mm', '0.33');
  await type('Plus or minus, intake, mm', '0.05');
  await choose('exhaust: the manual gives a range');
  await type('From, exhaust, mm', '0.53');
  await type('To, exhaust, mm', '0.63');
  await choose('Set hot');
  await press('Next: Publish');

  await open('Name and manual');
  await type('Title of the manual', 'Owner’s book');
  await type('Page', '7-3');
  await type('Revision of the manual', 'B');
  await type('Last checked on, as 2026-05-02', '2026-05-02');

  await open('Which way it turns');
  await choose('counterclockwise');
  await choose('Seen from the rear');
  await choose('May go back');

  await open('What is set, and its limits');
  await type('Locknut of the intake, N·m', '46');
  await press('Give the intake screw’s pitch');
  await type('Pitch, intake, mm', '1.25');
  await type('Rocker ratio, intake', '1.4');
  await choose('intake: the screw is on the side of the valve');
  await type('Clear of the lobe by, intake, degrees; 20 if empty', '25');
  await choose('exhaust: set by shim');
  await choose('exhaust: on each cylinder 2');
  await choose('Set the injector');
  await choose('injector: set at full lift');
  await type('Within, injector, degrees of full lift; 10 if empty', '15');
  await type('Set on the cylinder so many places later in firing order; empty for its own', '1');
  await choose('injector after exhaust');
  for (const [label, figure] of [
    ['Least', '69.7'],
    ['Target', '69.8'],
    ['Most', '69.9'],
  ] as const) {
    await type(`${label}, injector, mm`, figure);
  }
  await choose('Set the brake');
  await choose('brake: measured as preload');
  await choose('brake: the manual gives target ±');
  await type('Target, brake, N·m', '0.9');
  await type('Plus or minus, brake, N·m', '0.1');
  await choose('brake: set at window');
  await type('brake, window from, degrees after firing TDC', '20');
  // A field that is emptied stays where it is, to be filled again.
  await type('brake, window from, degrees after firing TDC', '');
  await type('brake, window from, degrees after firing TDC', '20');
  await type('brake, window to, degrees after firing TDC', '80');

  await open('Where the valves stand');
  await choose('The injector’s rocker stands between them');

  await open('Cold or hot');
  await type('Run warm before, minutes', '20');
  await type('To be done within, minutes after shutdown', '45');
  await type('Metal from, °C', '60');
  await type('Metal to, °C', '90');

  await open('Lobes');
  for (const kind of ['intake', 'exhaust', 'injector'] as const) {
    const lobe: { opens: number; closes: number; peak?: number } = BY_HAND.lobes[kind];
    await press(`Give the maker’s ${kind} lobe`);
    await type(`${kind} opens, degrees`, String(lobe.opens));
    await type(`${kind} closes, degrees`, String(lobe.closes));
    if (lobe.peak !== undefined) {
      await type(`${kind} peak, where it is not the middle, degrees`, String(lobe.peak));
    }
  }

  await open('Marks');
  await press('Add one mark');
  await type('Mark 1, as stamped', 'T');
  await type('Mark 1, degrees', '0');

  await open('Barring tool');
  await type('Tool turns for one of the crank', '11');
  await type('Teeth of its ratchet', '36');
  await type('Rim of the pulley, diameter, mm', '400');

  await open('Make unable to start');
  await press('Add one isolation');
  await type('Isolation 1: what is done', 'Fuel shut');
  await type('Isolation 1: how it is undone', 'Fuel open');

  await open('Torque sequences');
  await press('Add one sequence');
  await type('Sequence 1: what is run down', 'Hold-downs');
  await choose('Sequence 1: when before the lash');
  await type('Sequence 1: torque, N·m', '58');
  await type('Sequence 1, stage 1, % of it', '50');
  await press('Add a stage to Sequence 1');
  await choose('Sequence 1, stage 2: stage 2 N·m');
  await type('Sequence 1, stage 2, N·m', '58');
  await press('Add a stage to Sequence 1');
  await choose('Sequence 1, stage 3: stage 3 degrees on');
  await type('Sequence 1, stage 3, degrees on', '90');
  await press('Sequence 1, place 2 in row 1: none');
  await press('Sequence 1, place 1 in row 2: none');

  await open('Tools, parts, cautions');
  await press('Add one tool');
  await type('Tool 1', 'Height gauge');
  await press('Add one part');
  await type('Part 1', 'Cover gasket');
  await press('Add one caution');
  await type('Caution 1', 'Stored voltage: wait ten minutes.');

  await open('Photos');
  const chooser = page.waitForEvent('filechooser');
  await press('Add one photo');
  const buffer = Buffer.from(PNG, 'base64');
  await (await chooser).setFiles({ name: 'page.png', mimeType: 'image/png', buffer });
  await type('What photo 1 shows', 'Page 7-3');

  await open('Data tags');
  await press('Add one tag');
  await type('Tag 1, as stamped', 'B-1');
  await type('Least, intake, tag 1, mm', '0.30');
  await type('Target, intake, tag 1, mm', '0.35');
  await type('Most, intake, tag 1, mm', '0.40');

  await open('When it is checked');
  await type('Break-in check at, hours', '50');
  await type('Then every so many hours', '500');
  await type('Or every so many months, whichever first', '12');

  await open('The manual’s chart');
  await press('Add one stop');
  await choose('Stop 1 sets No. 1 intake');
  await type('Stop 1, what the manual notes of it', 'No. 1 firing');
  await press('Add one stop');
  await choose('Stop 2 4 rocks');
  await choose('Stop 2 sets No. 4 exhaust 1');
  await press('Add one stop');
  await type('Stop 3, or at an angle, degrees after firing TDC of No. 1', '90');
  await choose('Stop 3 sets No. 2 intake');
}
