import type { JobHead } from '@longbar/core';
import { begunOf, HEAD_ENDS, recordOf, recordPage, sealWords } from '@longbar/core';
import { expect, test } from '@playwright/test';
import Papa from 'papaparse';
import { bare, printedRecord } from './support/printedRecord';
import { beginRecorded, journalOf } from './support/recordedJob';
import { TestServer } from './support/server';

let server: TestServer;
test.beforeAll(async () => {
  server = await TestServer.start();
});
test.afterAll(() => server.end());

const plain = (text: string) => text.replace(/\s+/g, ' ').trim();

test('screen, PDF and CSV of one job say the same figures, units and words', async ({ page }) => {
  const head = await beginRecorded(server, '00000000-0000-4000-8000-000000000001');
  const clip = { sha256: '5'.repeat(64), type: 'audio/webm' };
  const heard = { told: false, why: 'beat' } as const;
  const spans = { go: 400, noGo: 500, how: 'go-no-go' } as const;
  const events = journalOf(head, [
    { type: 'noise.heard', when: 'before', heard, attachments: [clip] },
    { type: 'reading.taken', adjuster: 'exhaust.3', phase: 'again', reading: spans },
  ]);
  await server.keep(`/jobs/${head.id}/events`, events);
  const context = await (await server.fetch(`/jobs/${head.id}`)).json();
  const wanted = recordPage(recordOf(begunOf(context), events));

  // What the record must say, whatever makes it.
  const row = (name: string) => wanted.rows.find((each) => each.name === name);
  expect(row('No. 1 exhaust')?.limits).toBe('0.35–0.45 mm, 14–17.7 thou');
  expect(row('No. 1 exhaust')?.done).toContain('locked at 46 N·m (33.9 lb·ft)');
  expect(row('No. 3 exhaust')?.left).toContain('again 0.40–0.50 mm, spans a limit');
  expect(row('No. 1 injector')?.limits).toBe('0.60–1.00 N·m, 5.3–8.9 lb·in');
  expect(row('No. 1 injector')?.done).toBe('tightened by feel');
  expect(row('No. 1 brake')?.done).toContain('cannot be set');
  expect(wanted.rows.some(({ done }) => /shim .* mm out, shim .* mm in/.test(done))).toBe(true);
  expect(wanted.signature).toContain('Closed as incomplete by Ina');

  const sealed = sealWords(await (await server.fetch(`/jobs/${head.id}/seal`)).json());
  expect(sealed.map(({ grave }) => grave)).toEqual([false, false]);
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
    ...sealed.map(({ text }) => text),
  ].map(plain);
  expect(said).toContainEqual(expect.stringContaining('Deviation: '));
  expect(said).toContainEqual(expect.stringContaining('Far looser than its limits.'));
  expect(said).toContainEqual(expect.stringContaining('Noise: Before: No engine speed is heard'));
  expect(said).toContainEqual(expect.stringContaining('The gasket was replaced the day after'));

  await page.goto(`${server.url}/jobs/${head.id}/record`);
  await expect(page.getByText(wanted.signature)).toBeVisible();
  await expect(page.getByText(/^Sealed: /)).toBeVisible();
  const shown = plain(await page.locator('body').innerText());
  for (const words of said) expect(shown.toLowerCase()).toContain(words.toLowerCase());
  const ends = HEAD_ENDS.map((end) => end.toUpperCase());
  for (const end of ends) expect(shown).toContain(end);
  for (const { name, limits, found, left, done } of wanted.rows) {
    const cells = page.getByRole('row').filter({ hasText: name }).getByRole('cell');
    await expect(cells).toHaveText([name, limits, found, left, done]);
  }

  for (const paper of ['a4', 'letter']) {
    const printed = await printedRecord(server, head.id, paper);
    expect(printed.pages).toBeLessThanOrEqual(2);
    expect(printed.wordless).toBe(0);
    for (const words of [...said, ...ends]) expect(printed.words).toContain(bare(words));
  }

  const csv = await (await server.fetch('/readings.csv')).text();
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

test('names and notes in any script stand in the PDF', async () => {
  const [machine] = await (await server.fetch('/machines')).json();
  const people = [
    'Łukasz Żółw',
    'Ωμέγα Ήλιος',
    'Щука Ёж',
    '张伟 渡辺恵美',
    '김민준',
    'محمد',
    'आशा',
  ];
  const head: JobHead = {
    id: '00000000-0000-4000-8000-000000000009',
    machine: machine.id,
    method: 'two-position',
    sheetRevision: machine.sheet.revision,
    at: '2026-05-03T08:00:00.000Z',
    by: people[0] ?? '',
  };
  await server.keep('/jobs', head);
  const notes = people.map((by, i) => ({
    id: `00000000-0000-4000-9000-8${String(i).padStart(11, '0')}`,
    job: head.id,
    n: i + 1,
    at: head.at,
    by,
    type: 'machine.noted',
    text: `Said by ${by} at the engine`,
  }));
  await server.keep(`/jobs/${head.id}/events`, notes);
  const { words } = await printedRecord(server, head.id);
  for (const by of people) expect(words).toContain(bare(`Said by ${by} at`));
});
