import type { EngineSheet, JobAct, JobEvent, JobHead } from '@longbar/core';
import { begunOf, recordOf, recordPage, simulateJob } from '@longbar/core';
import { expect, test } from '@playwright/test';
import Papa from 'papaparse';
import { extractText, getDocumentProxy } from 'unpdf';
import { TestServer } from './support/server';

let server: TestServer;
test.beforeAll(async () => {
  server = await TestServer.start();
});
test.afterAll(() => server.end());

/** An engine with a data tag, shims, a preload, screws, and an adjuster without a figure. */
const sheet: EngineSheet = {
  format: 'longbar.sheet/1',
  name: 'Avocet 4',
  cycle: 4,
  firing: { order: [1, 3, 4, 2] },
  rotation: { seenFrom: 'front', sense: 'clockwise', reversible: false },
  lobes: {
    intake: { opens: 345, closes: 575 },
    exhaust: { opens: 130, closes: 375 },
    injector: { opens: 650, closes: 1020 },
  },
  adjusters: [
    { kind: 'intake', spec: { low: 250, target: 300, high: 350 }, method: 'shim' },
    {
      kind: 'exhaust',
      spec: { low: 450, target: 500, high: 550 },
      method: 'screw',
      locknut: { torque: 46 },
    },
    {
      kind: 'injector',
      setAt: 'base',
      spec: { low: 600, target: 800, high: 1000 },
      method: 'preload',
      measure: 'preload',
    },
    { kind: 'brake', setAt: { peak: 'intake' } },
  ],
  marks: [{ name: 'I', at: 0 }],
  temperature: { state: 'cold', soakMinutes: 240 },
  variants: [
    { tag: 'B7', adjusters: [{ kind: 'exhaust', spec: { low: 350, target: 400, high: 450 } }] },
  ],
};

/** The journal of a whole job on it, with a deviation, a finding that was looked into, a note. */
function journalOf(head: JobHead): JobEvent[] {
  const faults = { lockShift: 0 };
  const job = { method: head.method, policy: 'reset-all' as const, start: 100, seed: 3, faults };
  const outcome = simulateJob(sheet, job);
  if ('refused' in outcome) throw new Error(outcome.refused);
  const ends = outcome.events.findIndex(({ type }) => type === 'round.done');
  const more: JobAct[] = [
    {
      type: 'question.answered',
      question: 'exhaust.2 650–670 far-loose',
      answer: 'Looked, it is so',
      says: 'Far looser than its limits.',
    },
    { type: 'machine.noted', text: 'Bring a new gasket' },
  ];
  const events: (JobEvent | JobAct)[] = [...outcome.events];
  events.splice(ends, 0, ...more);
  events.push({ type: 'record.amended', text: 'The gasket was replaced the day after' });
  return events.map((event, i): JobEvent => ({
    id: `00000000-0000-4000-9000-9${String(i).padStart(11, '0')}`,
    at: head.at,
    by: 'Ina',
    ...event,
    ...(event.type === 'hours.read' && { sure: true }),
    job: head.id,
    n: i + 1,
  }));
}

const post = async (path: string, body: unknown) => {
  const answer = await fetch(`${server.url}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect(answer.ok, await answer.clone().text()).toBe(true);
};

const bare = (text: string) => text.replace(/\s+/g, '');
const plain = (text: string) => text.replace(/\s+/g, ' ').trim();

test('screen, PDF and CSV of one job say the same figures, units and words', async ({ page }) => {
  const [machine] = await (await fetch(`${server.url}/api/machines`)).json();
  await post('/sheets', { id: machine.sheet.id, document: sheet });
  const head: JobHead = {
    id: '00000000-0000-4000-8000-000000000001',
    machine: machine.id,
    method: 'two-position',
    sheetRevision: machine.sheet.revision + 1,
    at: '2026-05-02T08:00:00.000Z',
    by: 'Ina',
  };
  const events = journalOf(head);
  await post('/jobs', head);
  await post(`/jobs/${head.id}/events`, events);
  const context = await (await fetch(`${server.url}/api/jobs/${head.id}`)).json();
  const wanted = recordPage(recordOf(begunOf(context), events));

  // What the record must say, whatever makes it.
  const row = (name: string) => wanted.rows.find((each) => each.name === name);
  expect(row('No. 1 exhaust')?.limits).toBe('0.35–0.45 mm, 14–17.7 thou');
  expect(row('No. 1 exhaust')?.done).toContain('locked at 46 N·m (33.9 lb·ft)');
  expect(row('No. 1 injector')?.limits).toBe('0.60–1.00 N·m');
  expect(row('No. 1 injector')?.done).toBe('tightened by feel');
  expect(row('No. 1 brake')?.done).toContain('cannot be set');
  expect(wanted.rows.some(({ done }) => /shim .* mm out, shim .* mm in/.test(done))).toBe(true);
  expect(wanted.signature).toContain('Closed as incomplete by Ina');

  const said = [
    wanted.about,
    ...wanted.facts.flatMap(({ name, value }) => [name, value]),
    ...wanted.rows.flatMap(({ name, limits, found, left, done }) => [
      name,
      limits,
      found,
      left,
      done,
    ]),
    ...wanted.sections.flatMap(({ title, lines }) => [title, ...lines.map(({ text }) => text)]),
    wanted.signature,
    ...wanted.additions,
    wanted.footer,
  ].map(plain);
  expect(said).toContainEqual(expect.stringContaining('Deviation: '));
  expect(said).toContainEqual(expect.stringContaining('Far looser than its limits.'));
  expect(said).toContainEqual(expect.stringContaining('The gasket was replaced the day after'));

  await page.goto(`${server.url}/jobs/${head.id}/record`);
  await expect(page.getByText(wanted.signature)).toBeVisible();
  const shown = plain(await page.locator('body').innerText());
  for (const words of said) expect(shown.toLowerCase()).toContain(words.toLowerCase());
  for (const { name, limits, found, left, done } of wanted.rows) {
    const cells = page.getByRole('row').filter({ hasText: name }).getByRole('cell');
    await expect(cells).toHaveText([name, limits, found, left, done]);
  }

  for (const paper of ['a4', 'letter']) {
    const path = `/api/jobs/${head.id}/record.pdf?paper=${paper}`;
    const bytes = new Uint8Array(await (await fetch(server.url + path)).arrayBuffer());
    const { totalPages, text } = await extractText(await getDocumentProxy(bytes), {
      mergePages: true,
    });
    expect(totalPages).toBeLessThanOrEqual(2);
    // A line of the page may end within a figure.
    for (const words of said) expect(bare(text)).toContain(bare(words));
  }

  const csv = await (await fetch(`${server.url}/api/readings.csv`)).text();
  const { data } = Papa.parse<Record<string, string>>(csv, { header: true });
  const lines = data.filter(({ job }) => job === head.id);
  expect(
    lines.map(({ adjuster, limits, found, left, done }) => [adjuster, limits, found, left, done]),
  ).toEqual(
    wanted.rows.map(({ name, limits, found, left, done }) => [name, limits, found, left, done]),
  );
  expect(lines.find(({ adjuster }) => adjuster === 'No. 1 injector')).toMatchObject({
    unit: 'N·m',
    low: '0.6',
    high: '1',
  });
});
