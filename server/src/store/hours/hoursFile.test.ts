import { SeededRandom } from '@longbar/core';
import type { TestServer } from '../../../test-support/testServer';
import { times } from '../../../test-support/times';
import { startTestServer } from '../../../test-support/testServer';
import { takeHours } from './hoursFile';

jest.setTimeout(120_000);
const SPOILED = times(300, 3000);

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const FILE = [
  'Asset;Date;Engine hours',
  'Brine pump 2;2026-11-21;6.588,5',
  'Launch;2026-11-20;1366',
  '"Launch";2026-11-22;1.369',
  '',
].join('\r\n');
const plain = { columns: null, machine: null, leaveOut: false };
const post = (text: string, more: object = {}) =>
  server.post('/hours', { text, ...plain, take: false, ...more });
const kept = () => server.db.tables.hours.count();

describe('hours from a file', () => {
  it('are shown before they are taken in, and then known', async () => {
    const before = await kept();
    const shown = await post(FILE);
    expect(shown.body).toMatchObject({
      header: ['Asset', 'Date', 'Engine hours'],
      columns: { machine: 0, date: 1, hours: 2 },
      adds: [
        { name: 'Brine pump 2', count: 1, last: { date: '2026-11-21', hours: 6588.5 } },
        { name: 'Launch', count: 1, last: { date: '2026-11-20', hours: 1366 } },
      ],
      issues: [{ line: 4, path: 'hours' }],
      taken: false,
    });
    expect(await kept()).toBe(before);

    const refused = await post(FILE, { take: true });
    expect(refused.status).toBe(400);
    expect(refused.body.error.issues).toMatchObject([{ path: 'line 4: hours' }]);
    expect(await kept()).toBe(before);

    const taken = await post(FILE, { take: true, leaveOut: true });
    expect(taken.body).toMatchObject({ taken: true, known: 0 });
    expect(await kept()).toBe(before + 2);
    const pump = (await server.get('/machines')).body.find(
      ({ name }: { name: string }) => name === 'Brine pump 2',
    );
    expect(pump.hours).toEqual({ date: '2026-11-21', hours: 6588.5 });
    expect((await post(FILE)).body).toMatchObject({ adds: [], known: 2 });
  });

  it('counts lines as an editor does, quoted line ends included', async () => {
    const text =
      'Asset,Note,Date,Hours\n"Launch","two\nlines",2026-11-22,1370\nDigger,,2026-11-22,1\n';
    expect((await post(text)).body.issues).toMatchObject([{ line: 4, path: 'machine' }]);
    expect((await post('')).body.error.issues).toMatchObject([{ path: 'line 1' }]);
  });

  it(`of ${SPOILED} spoiled tables none half comes in, and each mistake names its line`, async () => {
    const chance = new SeededRandom(5);
    const before = await kept();
    let refused = 0;
    for (let i = 0; i < SPOILED; i++) {
      const text = spoiled(FILE, chance);
      const answer = await takeHours(server.db, { text, ...plain, take: false }, '2026-11-23')
        .then(({ issues }) => issues.map(({ line }) => `line ${line}`))
        .catch((error: { issues: { path: string }[] }) => error.issues.map(({ path }) => path));
      answer.forEach((path) => expect(path).toMatch(/^line [1-9]\d*/));
      if (answer.length === 0) continue;
      refused += 1;
      await expect(
        takeHours(server.db, { text, ...plain, take: true }, '2026-11-23'),
      ).rejects.toHaveProperty('status', 400);
    }
    expect(refused).toBeGreaterThan(SPOILED / 2);
    expect(await kept()).toBe(before);
  });

  it('of a whole fleet lets others be answered between', async () => {
    const line = (i: number) => `Launch;${2001 + (i % 20)}-01-02;${i}`;
    const lines = Array.from({ length: 60_000 }, (_, i) => line(i));
    const text = `Asset;Date;Hours\n${lines.join('\n')}`;
    let answered = 0;
    const others = setInterval(() => answered++, 1);
    await takeHours(server.db, { text, ...plain, leaveOut: true, take: false }, '2026-11-26');
    clearInterval(others);
    expect(answered).toBeGreaterThan(5);
  });
});

/** The text with a few characters lost, doubled, swapped or strange. */
function spoiled(text: string, chance: SeededRandom): string {
  const marks = ['"', ';', ',', '\n', '\0', 'é', '-', '9', '\u202E', "'"];
  let bad = text;
  for (let n = chance.whole(1, 4); n > 0; n--) {
    const at = chance.whole(0, bad.length);
    const cut = chance.whole(0, 3);
    bad = bad.slice(0, at) + (chance.next() < 0.7 ? chance.one(marks) : '') + bad.slice(at + cut);
  }
  return bad;
}
