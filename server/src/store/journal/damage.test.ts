import { AnyRow } from '../../../test-support/anyRow';
import { EventsPageSchema, MachineLinesSchema } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as v from 'valibot';
import { copyDemo } from '../../../test-support/demoOnce';
import { NOW } from '../../../test-support/now';
import { spoil } from '../../../test-support/spoil';
import { startTestServer } from '../../../test-support/testServer';
import { MACHINES } from '../../demo/yard';
import { lookAtFile, quickLook } from '../sql/looks';
import { lookAtShop } from './damage';
import type { Database } from '../sql/database';
import { openDatabase } from '../sql/database';
import { listMachines } from '../derived/machines';
import { listSetAside } from '../setAside';

const TODAY = '2026-11-23';
let whole: string;
const PageSchema = v.object({
  name: v.string(),
  pageno: v.number(),
  pagetype: v.string(),
  ncell: v.number(),
});
type Page = v.InferOutput<typeof PageSchema>;
let pages: Page[];
const folders: string[] = [];

beforeAll(async () => {
  whole = mkdtempSync(join(tmpdir(), 'longbar-whole-'));
  copyDemo(whole);
  const db = await openDatabase(whole);
  await listMachines(db, TODAY);
  await db.whole.rows(AnyRow, 'PRAGMA wal_checkpoint(TRUNCATE)');
  pages = await db.whole.rows(PageSchema, 'SELECT name, pageno, pagetype, ncell FROM dbstat');
  await db.close();
});
afterAll(() => {
  for (const folder of [whole, ...folders]) rmSync(folder, { recursive: true, force: true });
});

function copyWith(change: (file: Buffer) => void): string {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-flip-'));
  folders.push(folder);
  cpSync(whole, folder, { recursive: true });
  const path = join(folder, 'longbar.sqlite');
  const file = readFileSync(path);
  change(file);
  writeFileSync(path, file);
  return folder;
}

/** What is said of a folder when it is opened and looked through. */
async function saidOf(folder: string): Promise<string> {
  let db: Database | undefined;
  try {
    db = await openDatabase(folder);
    await quickLook(db);
    const orphans = db.damage() === null ? await lookAtFile(db) : [];
    const spoiled = db.damage() === null ? [...orphans, ...(await lookAtShop(db))] : [];
    return [db.damage() ?? '', ...spoiled].join(' ').trim();
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  } finally {
    await db?.close();
  }
}

const SIZE = 4096;

describe('a damaged database', () => {
  it('is known whichever page and whatever in its head was flipped', async () => {
    const kinds = new Map<string, Page>();
    for (const page of pages.filter(({ ncell }) => ncell > 0)) {
      const what = page.name.startsWith('sqlite_autoindex') ? 'index' : page.name;
      kinds.set(`${page.pagetype} ${what === 'events' || what === 'index' ? what : ''}`, page);
    }
    expect(kinds.size).toBeGreaterThanOrEqual(5);
    const flips = [...kinds.values()]
      .filter(({ pagetype }) => pagetype !== 'overflow')
      .flatMap(({ pageno }) => [0, 3, 5, 8].map((byte) => (pageno - 1) * SIZE + byte));
    flips.push(1, 5, 17, 20);
    expect(flips.length).toBeGreaterThanOrEqual(24);
    const unnoticed: number[] = [];
    for (const at of flips) {
      const said = await saidOf(copyWith((file) => file.writeUInt8(file.readUInt8(at) ^ 0x55, at)));
      if (said === '') unnoticed.push(at);
      expect(said).not.toMatch(/^\s+at /m);
    }
    expect(unnoticed).toEqual([]);
  });

  it('is known by its seals where a figure of a signed job was flipped', async () => {
    const folder = copyWith((file) => {
      const at = file.indexOf('"type":"reading.taken"');
      const digit = file.indexOf('"go":', at) + 5;
      file.writeUInt8(file.readUInt8(digit) ^ 1, digit);
    });
    expect(await saidOf(folder)).toContain('has lost its seal');
  });

  it('is read as far as it can be, and not written to; the way back is named', async () => {
    const server = await startTestServer();
    try {
      await server.get('/machines');
      server.db.foundDamaged('a page is in no tree');
      expect((await server.get('/health')).body.ok).toBe(false);
      const shop = (await server.get('/shop')).body;
      expect(shop.damage).toContain('a page is in no tree');
      expect(shop.damage).toContain('npm run restore');
      expect((await server.get('/machines')).body).toHaveLength(MACHINES.length);
      const machine = MACHINES[0]!.id;
      const job = { id: randomUUID(), machine, method: 'each', sheetRevision: 1, by: 'Ina' };
      const refused = await server.post('/jobs', { ...job, at: NOW.toISOString() });
      expect(refused.status).toBe(503);
      expect(refused.body.error.message).toBe(shop.damage);
    } finally {
      await server.close();
    }
  });
});

describe('one spoiled row', () => {
  const SPOILED: [string, string, string][] = [
    ['machines', `UPDATE machines SET baseline = '{"last":' WHERE id = $1`, 'machine'],
    ['a machine’s meters', `UPDATE machines SET meter = '7' WHERE id = $1`, 'machine'],
    [
      'events',
      `UPDATE events SET body = '{"id"' WHERE job = (SELECT id FROM jobs WHERE machine = $1)`,
      'job',
    ],
  ];
  it.each(SPOILED)('of %s stops nothing else, and is named under Shop', async (_, sql, kind) => {
    const server = await startTestServer();
    try {
      const spoiled = MACHINES.find(({ jobs }) => jobs.length > 0)!;
      await spoil(server.db, sql, spoiled.id);
      const yard = await server.get('/machines');
      expect(yard.status).toBe(200);
      const names: string[] = yard.body.map(({ name }: { name: string }) => name);
      const others = MACHINES.filter(({ id }) => id !== spoiled.id).map(({ name }) => name);
      expect(names).toEqual(expect.arrayContaining(others));
      const { setAside } = (await server.get('/shop')).body;
      expect(setAside.map(({ name }: { name: string }) => name).join()).toContain(spoiled.name);
      const page = await server.get(`/machines/${spoiled.id}`);
      expect(page.status).toBe(kind === 'machine' ? 409 : 200);
      for (const path of ['/sheets', '/due.ics', '/readings.csv', '/search?q=brine']) {
        expect([path, (await server.get(path)).status]).toEqual([path, 200]);
      }
    } finally {
      await server.close();
    }
  });

  it('of a sheet kept before it had bounds sets its machine aside by the field', async () => {
    const server = await startTestServer();
    try {
      const { id, sheet, name } = MACHINES[0]!;
      const sql = `UPDATE sheets SET document = json_set(document, '$.service.everyMonths', 1e9)
        WHERE id = $1`;
      await server.db.write((transaction) => server.db.whole.run(sql, [sheet.id], transaction));
      const yard = await server.get('/machines');
      expect(v.is(MachineLinesSchema, yard.body)).toBe(true);
      expect(yard.body).toHaveLength(MACHINES.filter((each) => each.sheet.id !== sheet.id).length);
      const { setAside } = (await server.get('/shop')).body;
      expect(setAside).toContainEqual({
        name,
        why: expect.stringContaining('service.everyMonths'),
      });
      const page = await server.get(`/machines/${id}`);
      expect(page).toMatchObject({
        status: 409,
        body: { error: { message: expect.stringContaining('service.everyMonths') } },
      });
      expect((await server.get(`/sheets/${sheet.id}`)).status).toBe(409);
      expect((await server.get('/sheets')).status).toBe(200);
      // Published anew within its bounds, all of it is back.
      const document = { ...sheet.document, service: { everyMonths: 12 } };
      expect((await server.post('/sheets', { id: sheet.id, document })).status).toBe(201);
      await server.patch(`/machines/${id}`, { sheet: sheet.id });
      expect((await server.get(`/machines/${id}`)).status).toBe(200);
    } finally {
      await server.close();
    }
  });

  it('of a journal from a clock that was years off is still read, and none is taken any more', async () => {
    const server = await startTestServer();
    try {
      const [job] = await server.db.whole.rows(
        v.object({ id: v.string() }),
        'SELECT id FROM jobs LIMIT 1',
      );
      const id = job?.id ?? '';
      const sql = `UPDATE events SET body = json_set(body, '$.at', '1970-01-01T00:00:09.000Z')
        WHERE job = $1 AND n = 3`;
      await server.db.write((transaction) => server.db.whole.run(sql, [id], transaction));
      const page = await server.get(`/jobs/${id}/events?after=0`);
      expect(v.is(EventsPageSchema, page.body)).toBe(true);
      const [first] = page.body.events;
      const odd = { ...first, id: randomUUID(), at: '1970-01-01T00:00:09.000Z' };
      const refused = await server.post(`/jobs/${id}/events`, [first, odd]);
      expect(refused.status).toBe(400);
      expect(refused.body.error.issues).toEqual([
        { path: '1.at', message: 'The year is from 1990 to 2100.' },
      ]);
    } finally {
      await server.close();
    }
  });

  it('of sheets stops no list, and the nightly look names it', async () => {
    const server = await startTestServer();
    try {
      const { id } = MACHINES[0]!.sheet;
      await server.db.write((transaction) =>
        server.db.whole.run(`UPDATE sheets SET document = '{' WHERE id = $1`, [id], transaction),
      );
      const sheets = await server.get('/sheets');
      expect(sheets.status).toBe(200);
      expect(sheets.body.length).toBeGreaterThan(3);
      expect(await lookAtShop(server.db)).toEqual([`sheets ${id}: its document cannot be read.`]);
      expect(await listSetAside(server.db)).toEqual([]);
      expect((await server.get(`/sheets/${id}`)).status).toBe(409);
    } finally {
      await server.close();
    }
  });
});
