import { createHash } from 'node:crypto';
import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { JobEvent, ParsedArchive } from '@longbar/core';
import { isRefused, parseArchive, SeededRandom } from '@longbar/core';
import { MACHINES } from '../../demo/yard';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { demoDatabase, emptyDatabase } from '../../../test-support/demoDatabase';
import { NOW } from '../../../test-support/now';
import { soak } from '../../../../core/test-support/times';
import { times } from '../../../test-support/times';
import { spoil as spoilRow } from '../../../test-support/spoil';
import { archiveLines } from './archive';
import { linesOf } from './linesOf';
import type { ArchiveCounts } from './takeArchive';
import { takeArchive } from './takeArchive';
import { keepBlob, sha256 } from '../journal/blobs';
import { appendEvents } from '../journal/appends';
import { beginJob } from '../journal/jobs';
import type { Database } from '../sql/database';
import { correctHours } from '../hours/hours';
import { changeMachine } from '../yard/machineChanges';
import { machineDetail } from '../derived/machines';

jest.setTimeout(900_000);
const made: TestDatabase[] = [];
async function opened(one: Promise<TestDatabase>): Promise<Database> {
  made.push(await one);
  return (await one).db;
}
const empty = () => opened(emptyDatabase());
const demo = () => opened(demoDatabase());
afterAll(async () => {
  for (const one of made) await one.end();
});

/** Takes an archive that is at hand as text. */
function take(db: Database, text: string, preview: boolean): Promise<ArchiveCounts> {
  const lines = text.split('\n');
  if (lines.at(-1) === '') lines.pop();
  return takeArchive(
    db,
    async function* source() {
      yield* lines;
    },
    preview,
  );
}

async function written(db: Database): Promise<string> {
  let text = '';
  for await (const line of archiveLines(db)) text += line;
  return text;
}

let full: Database;
let archive: string;
beforeAll(async () => {
  full = await demo();
  const photo = Buffer.from('a photo');
  await keepBlob(full, sha256(photo), 'image/jpeg', photo, NOW.toISOString());
  const about = { owner: 'The works', photo: sha256(photo), hoursAYear: 300, retired: true };
  const [at, today] = [NOW.toISOString(), NOW.toISOString().slice(0, 10)];
  await changeMachine(full, MACHINES[1]!.id, about, at, today);
  const { history } = JSON.parse(await machineDetail(full, MACHINES[0]!.id, today));
  const right = { hours: history[0].summary.hours.hours - 1 };
  await correctHours(full, MACHINES[0]!.id, history[0].id, right, today);
  archive = await written(full);
});

const issuesOf = (parsed: ParsedArchive) => (isRefused(parsed) ? parsed.issues : []);

const counted = async (db: Database) => {
  const { people: _own, ...tables } = db.tables;
  return Promise.all(Object.values(tables).map((table) => (table as { count(): unknown }).count()));
};

describe('the archive of a shop', () => {
  it('restores an empty shop to the same state, and gives the same bytes again', async () => {
    const other = await empty();
    const preview = await take(other, archive, true);
    expect(await counted(other)).toEqual([0, 0, 0, 0, 0, 0, 0]);
    expect(await take(other, archive, false)).toEqual(preview);
    expect(preview).toMatchObject({ machine: 8, sheet: 8, blob: 3, archive: 1 });
    expect(await written(other)).toBe(archive);
    for (const { id } of MACHINES.slice(0, 2)) {
      const [one, two] = await Promise.all(
        [full, other].map(async (db) => JSON.parse(await machineDetail(db, id, '2026-11-23'))),
      );
      expect(two).toEqual(one);
    }
    await expect(take(other, archive, false)).rejects.toThrow('empty shop only');
  });

  it('is of one moment, whatever is written while it is made', async () => {
    const busy = await demo();
    const before = await written(busy);
    const at = new Date(NOW.getTime() + 60_000).toISOString();
    const { id: machine } = MACHINES[2]!;
    const lines = archiveLines(busy);
    let text = String((await lines.next()).value);
    const job = crypto.randomUUID();
    const head = { machine, method: 'each', by: 'Ina', at } as const;
    await beginJob(busy, { id: job, ...head, sheetRevision: 1 });
    const note: JobEvent = {
      type: 'note.made',
      text: 'Meanwhile',
      id: job,
      job,
      n: 1,
      at,
      by: 'Ina',
    };
    await appendEvents(busy, job, [note], at);
    await changeMachine(busy, machine, { owner: 'Another' }, at, at.slice(0, 10));
    await keepBlob(busy, sha256(Buffer.from('new')), 'image/jpeg', Buffer.from('new'), at);
    for await (const line of lines) text += line;
    expect(text).toBe(before);
    const after = await written(busy);
    for (const said of ['Meanwhile', 'Another']) expect(after).toContain(said);
    expect((await take(await empty(), after, true)).job).toBe(await busy.tables.jobs.count());
  });

  it('leaves out an entry that is no JSON any more, and can be taken in without it', async () => {
    const damaged = await demo();
    const held = (await take(await empty(), await written(damaged), true)).event ?? 0;
    const first = '(SELECT min(serial) FROM events WHERE shop = 1)';
    await spoilRow(damaged, `UPDATE events SET body = '{' WHERE serial = ${first} AND $1 = $1`, '');
    const counts = await take(await empty(), await written(damaged), false);
    expect(counts).toMatchObject({ event: held - 1, job: await damaged.tables.jobs.count() });
  });

  it('takes large photos and many of them, from a file, line by line', async () => {
    const from = await demo();
    // In the soak two gigabytes of them.
    const large: number[] = soak ? Array(80).fill(25_000_000) : [9_000_000];
    for (const [i, size] of [...large, ...Array<number>(160).fill(10)].entries()) {
      const photo = Buffer.alloc(size, `${i} `);
      await keepBlob(from, sha256(photo), 'image/jpeg', photo, NOW.toISOString());
    }
    const folder = mkdtempSync(join(tmpdir(), 'longbar-archive-'));
    const writeInto = async (db: Database, file: string) => {
      const hash = createHash('sha256');
      const hashed = async function* hashed() {
        for await (const line of archiveLines(db)) {
          hash.update(line);
          yield line;
        }
      };
      await pipeline(hashed, createWriteStream(file));
      return hash.digest('hex');
    };
    const file = join(folder, 'archive.jsonl');
    const written = await writeInto(from, file);
    const other = await empty();
    const counts = await takeArchive(other, () => linesOf(file), false);
    expect(counts).toMatchObject({ blob: large.length + 162, end: 1 });
    expect(await writeInto(other, file)).toBe(written);
    rmSync(folder, { recursive: true });
  });

  it('that was cut or changed on the way is refused, and nothing of it kept', async () => {
    const lines = archive.split('\n').slice(0, -1);
    const none = await empty();
    const cut = lines.slice(0, -40).join('\n');
    await expect(take(none, cut, false)).rejects.toThrow('The archive is cut off');
    const missing = lines.filter((line) => !line.includes('"type":"hours"')).join('\n');
    await expect(take(none, missing, false)).rejects.toThrow(/lines before this one/);
    const changed = archive.replace('"name":"Barge"', '"name":"Berge"');
    await expect(take(none, changed, false)).rejects.toThrow('they were changed');
    expect(await counted(none)).toEqual([0, 0, 0, 0, 0, 0, 0]);
  });

  it('names the line and the field of a mistake', () => {
    const lines = archive.split('\n');
    const spoiled = (at: number, by: (line: string) => string) =>
      parseArchive(lines.map((line, i) => (i === at ? by(line) : line)).join('\n'));
    const [first] = issuesOf(spoiled(2, (line) => line.slice(0, 40)));
    expect(first).toEqual({ line: 3, path: '', message: 'This line is not JSON.' });
    expect(issuesOf(spoiled(0, () => '{"type":"archive","format":"other/1"}'))[0]).toMatchObject({
      line: 1,
      path: 'format',
    });
    const machine = lines.findIndex((line) => line.includes('"type":"machine"'));
    expect(spoiled(machine, (line) => line.replace(/"name":"[^"]*"/, '"name":7'))).toMatchObject({
      issues: expect.arrayContaining([
        { line: machine + 1, path: 'name', message: 'Give a name.' },
      ]),
    });
    expect(parseArchive('')).toMatchObject({ refused: 'malformed', issues: [{ line: 1 }] });
  });
});

const SPOILED = times(2000, 10_000);

/** One way of spoiling a text: a character, a line, a figure or a word of it. */
function spoil(text: string, chance: SeededRandom): string {
  const lines = text.split('\n');
  const at = Math.floor(chance.next() * lines.length);
  const line = lines[at] ?? '';
  const place = Math.floor(chance.next() * line.length);
  switch (Math.floor(chance.next() * 6)) {
    case 0:
      lines[at] = line.slice(0, place);
      break;
    case 1:
      lines[at] =
        `${line.slice(0, place)}${chance.one(['"', '{', ']', 'x', '9', '\u0000'])}${line.slice(place + 1)}`;
      break;
    case 2:
      lines.splice(at, 1);
      break;
    case 3:
      lines.splice(at, 0, lines[Math.floor(chance.next() * lines.length)] ?? '');
      break;
    case 4:
      lines[at] = line.replace(/:\d+/, chance.one([':-1', ':null', ':"a"', ':1e99', ':[]']));
      break;
    default:
      lines[at] = line.replace(/"[a-z]+":/, '"other":');
  }
  return lines.join('\n');
}

describe(`${SPOILED} spoiled archives`, () => {
  it('crash nothing, import nothing by halves, and name a line where they are refused', async () => {
    // A small shop, so that most mistakes hit something that matters.
    const small = archive
      .split('\n')
      .filter((line) => !line.includes('"type":"event"') && !line.includes('"type":"job"'))
      .slice(0, 40)
      .join('\n');
    const db = await empty();
    let refused = 0;
    for (let seed = 1; seed <= SPOILED; seed++) {
      const text = spoil(small, new SeededRandom(seed));
      const parsed = parseArchive(text);
      if (!isRefused(parsed)) continue;
      refused += 1;
      const named = parsed.issues.filter(({ line, message }) => line > 0 && message !== '');
      expect([seed, named.length]).toEqual([seed, Math.max(1, parsed.issues.length)]);
      if (seed % 100 === 0) await expect(take(db, text, false)).rejects.toThrow(/line \d+/);
    }
    expect(refused).toBeGreaterThan(SPOILED / 2);
    expect(await counted(db)).toEqual([0, 0, 0, 0, 0, 0, 0]);
  });
});
