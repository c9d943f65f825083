import type { TestServer } from '../../test-support/testServer';
import { inflateSync } from 'node:zlib';
import Papa from 'papaparse';
import { NOW } from '../../test-support/now';
import { startTestServer } from '../../test-support/testServer';
import { signedJob } from '../demo/signedJob';
import { MACHINES } from '../demo/yard';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const { head, events } = signedJob(MACHINES[0]!, MACHINES[0]!.jobs.at(-1)!, NOW);
const text = async (path: string) => {
  const answer = await server.fetch(path);
  return { type: answer.headers.get('content-type'), body: await answer.text() };
};

describe('the record', () => {
  it('comes as a PDF of one or two pages, on both papers', async () => {
    for (const paper of ['a4', 'letter']) {
      const { type, body } = await text(`/jobs/${head.id}/record.pdf?paper=${paper}`);
      expect(type).toBe('application/pdf');
      expect(body.startsWith('%PDF-')).toBe(true);
      const pages = body.match(/\/Type \/Page\n/g) ?? [];
      expect(pages.length).toBeGreaterThan(0);
      expect(pages.length).toBeLessThanOrEqual(2);
    }
    expect((await server.get(`/jobs/${head.id}/record.pdf?paper=a3`)).status).toBe(400);
  });

  it('is sealed when it is signed; an addition stands beside it, what comes late changes nothing', async () => {
    const seal = await server.get(`/jobs/${head.id}/seal`);
    expect(seal.body).toMatchObject({
      seal: expect.stringMatching(/^[0-9a-f]{64}$/),
      holds: true,
      signature: { fits: true, words: { name: 'Ina' } },
    });
    const last = events.at(-1)!;
    const addition = {
      ...last,
      id: '00000000-0000-4000-8000-0000000000aa',
      n: last.n + 1,
      type: 'record.amended',
      text: 'The gasket was kept after all',
    };
    await server.post(`/jobs/${head.id}/events`, [addition]);
    const { seal: hash } = seal.body;
    const holds = async () => (await server.get(`/jobs/${head.id}/seal`)).body;
    expect(await holds()).toMatchObject({ seal: hash, holds: true });
    const slipped = { ...addition, id: '00000000-0000-4000-8000-0000000000ab', n: 3 };
    expect((await server.post(`/jobs/${head.id}/events`, [slipped])).status).toBe(200);
    expect(await holds()).toMatchObject({ seal: hash, holds: true });
    expect((await server.get(`/jobs/${head.id}`)).body.late).toEqual([slipped.id]);
    const { body: page } = await server.get(`/jobs/${head.id}/events?after=0`);
    expect(page.late).toEqual([slipped.id]);
  });
});

/** How many pages a PDF has, and how many of them hold words: each is one packed stream. */
function pagesOf(pdf: Buffer): { pages: number; worded: number } {
  const text = pdf.toString('latin1');
  const streams = [...text.matchAll(/FlateDecode\n>>\nstream\n([^]*?)\nendstream/g)];
  const drawn = streams.map(([, packed = '']) =>
    inflateSync(Buffer.from(packed, 'latin1')).toString('latin1'),
  );
  const worded = drawn.filter((page) => /\] TJ\n/.test(page)).length;
  return { pages: [...text.matchAll(/\/Type \/Page\n/g)].length, worded };
}

describe('a page of a record', () => {
  it('says whose it is, however much was added', async () => {
    const machine = MACHINES[1]!;
    const { head: job, events: done } = signedJob(machine, machine.jobs.at(-1)!, NOW);
    const last = done.at(-1)!;
    const counted: number[] = [];
    for (let round = 0; round < 9; round++) {
      const added = Array.from({ length: 9 }, (_, i) => {
        const n = last.n + 1 + round * 9 + i;
        const id = `00000000-0000-4000-8000-1${String(n).padStart(11, '0')}`;
        return { ...last, id, n, type: 'record.amended', text: 'The gasket was kept' };
      });
      expect((await server.post(`/jobs/${job.id}/events`, added)).status).toBe(200);
      const answer = await server.fetch(`/jobs/${job.id}/record.pdf?paper=a4`);
      const { pages, worded } = pagesOf(Buffer.from(await answer.arrayBuffer()));
      expect(worded).toBe(pages);
      counted.push(pages);
    }
    expect(new Set(counted).size).toBeGreaterThan(1);
  });
});

describe('the search', () => {
  const find = async (words: string) =>
    (await server.get(`/search?q=${encodeURIComponent(words)}`)).body;

  it('finds machines by name and engine, and words in their jobs', async () => {
    expect(await find('barge')).toMatchObject([{ kind: 'machine', machineName: 'Barge' }]);
    expect(await find('Whimbrel')).toMatchObject([{ kind: 'machine', machineName: 'Barge' }]);
    expect(await find('rear cover bolt')).toMatchObject([
      { kind: 'words', machineName: 'Brine pump 2', says: expect.stringContaining('longer') },
    ]);
  });

  it('takes no pattern and no SQL for one', async () => {
    expect(await find('100%')).toEqual([]);
    expect(await find("x' OR 1=1 --")).toEqual([]);
    expect((await server.get('/search?q=a')).status).toBe(400);
  });
});

describe('what goes out', () => {
  it('gives the due dates as all-day events of a calendar', async () => {
    const { type, body } = await text('/due.ics');
    expect(type).toContain('text/calendar');
    expect(body).toMatch(/^BEGIN:VCALENDAR\r\n/);
    expect(body).toContain('SUMMARY:Launch: check overdue');
    expect(body).toMatch(/DTSTART;VALUE=DATE:\d{8}\r\n/);
    // Too few readings tell no use, but the day by months is known.
    expect(body).toContain('SUMMARY:Standby set: check due');
    for (const line of body.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });

  it('gives every reading of signed jobs as CSV', async () => {
    const { body } = await text('/readings.csv');
    expect(body).toMatch(/^machine,engine,job,signed,hours,tag,adjuster,unit,/);
    const { data } = Papa.parse<Record<string, string>>(body, { header: true });
    const jobs = MACHINES.flatMap(({ jobs: past }) => past).length;
    expect(data.length).toBeGreaterThan(jobs * 6);
    const injector = data.findLast(
      (line) => line['machine'] === 'Salt truck 3' && line['adjuster'] === 'No. 4 injector',
    );
    // Judged by the figures of its own data tag, not by those of the sheet as published.
    expect(injector).toMatchObject({ tag: expect.stringMatching(/^U6/), unit: 'mm' });
    expect(injector?.['found_verdict']).toBe('inside');
    expect(injector?.['found']).toMatch(/ mm$/);
  });
});
