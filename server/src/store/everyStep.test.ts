import type { JobEvent } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { copiesBeforeSteps, isLookedAt, withDiskFullAt } from '../../test-support/everyStep';
import { startTestServer } from '../../test-support/testServer';
import { loadDemo } from '../demo/loadDemo';
import { MACHINES } from '../demo/yard';
import { archiveLines } from './archive';
import { backUp } from './backup';
import { checkFile } from './checkedFile';
import type { Database } from './database';
import { openDatabase } from './database';
import { FolderError } from './dataFile';
import { listMachines } from './machines';
import { pendingSteps } from './migrate';
import { appendEvents } from './jobs';
import { rebuild } from './readTables';
import { restore } from './restore';
import { identityOf, readShopHere } from './shop';
import { takeArchive } from './takeArchive';

const NOW = new Date('2026-11-23T09:00:00Z');
const TODAY = '2026-11-23';

// Every step takes its time where all of them are looked at.
if (process.env.LONGBAR_SOAK) jest.setTimeout(3_600_000);

const folders: string[] = [];
const fresh = () => {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-steps-'));
  folders.push(folder);
  return folder;
};
afterEach(() => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true });
});

/** How many machines a start finds in a folder; it is closed again. */
async function machinesIn(folder: string): Promise<number> {
  const db = await openDatabase(folder);
  try {
    return (await listMachines(db, TODAY)).length;
  } finally {
    await db.close();
  }
}

async function demoIn(folder: string): Promise<void> {
  const db = await openDatabase(folder);
  try {
    await loadDemo(db, NOW);
  } finally {
    await db.close();
  }
}

/** A database as an earlier version left it: its first steps, and something in it. */
async function earlierIn(folder: string, rows = true): Promise<void> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: join(folder, 'longbar.sqlite'),
    logging: false,
  });
  const { run } = await pendingSteps(sequelize);
  await run('0004-soon');
  if (rows) {
    await sequelize.query(
      `INSERT INTO shops (id, name, policy, bladeSets) VALUES ('shop', 'Saltworks', 'to-target', '[]')`,
    );
    await sequelize.query(
      `INSERT INTO machines (id, name, sheet, meter, baseline)
       VALUES ('m', 'Pump', 's', '[]', '{"last":null,"breakInDone":false}')`,
    );
  }
  await sequelize.close();
}

function journalEvent(job: string, n: number): JobEvent {
  return { id: randomUUID(), job, n: 9000 + n, at: NOW.toISOString(), by: 'Ina', type: 'bar.out' };
}

async function rowsOf(folder: string, sql: string): Promise<object[]> {
  const db = await openDatabase(folder);
  try {
    return await db.rows(sql);
  } finally {
    await db.close();
  }
}

describe('cut off at any step', () => {
  it('a first start begins again, and the demo is all there or not at all', async () => {
    const folder = fresh();
    const { copies, steps } = await copiesBeforeSteps(folder, 40, () => demoIn(folder));
    folders.push(...copies);
    expect(steps).toBeGreaterThan(100);
    const found = new Set<number>();
    for (const copy of copies) {
      found.add(await machinesIn(copy));
      await demoIn(copy);
      expect(await machinesIn(copy)).toBe(MACHINES.length);
    }
    for (const many of found) expect([0, MACHINES.length]).toContain(many);
  });

  it('an upgrade goes on at the next start, and a checked copy of before stands beside it', async () => {
    const folder = fresh();
    await earlierIn(folder);
    const { copies, steps } = await copiesBeforeSteps(folder, 4, () => rowsOf(folder, 'SELECT 1'));
    folders.push(...copies);
    expect(steps).toBeGreaterThan(20);
    for (const copy of copies) {
      const rows = await rowsOf(copy, 'SELECT name, sheetRevision FROM machines');
      expect(rows).toEqual([{ name: 'Pump', sheetRevision: 1 }]);
      expect(existsSync(join(copy, 'longbar-before-upgrade.sqlite'))).toBe(true);
    }
  });

  it('a restore has not begun or is finished: never half, never beside an old log', async () => {
    const from = fresh();
    await demoIn(from);
    const full = await openDatabase(from);
    const plan = { folder: join(from, 'backups'), keep: 2, everyHours: 24 };
    const file = await backUp(full, plan, NOW);
    await full.close();
    const folder = fresh();
    expect(await machinesIn(folder)).toBe(0);
    // What a kill leaves: a log beside the database.
    writeFileSync(join(folder, 'longbar.sqlite-wal'), Buffer.alloc(4152, 7));
    const { copies } = await copiesBeforeSteps(folder, 1, () => restore(file, folder, NOW));
    folders.push(...copies);
    const found: number[] = [];
    for (const copy of copies) found.push(await machinesIn(copy));
    expect(new Set(found)).toEqual(new Set([0, MACHINES.length]));
    expect(found.at(-1)).toBe(MACHINES.length);
    expect([...found].sort((a, b) => a - b)).toEqual(found);
  });
});

describe('what is done beside the work, cut off at any step,', () => {
  /** A folder with the demo, opened for something that is cut off at any step of it. */
  async function demoDuring(oneOf: number, work: (db: Database, folder: string) => Promise<void>) {
    const folder = fresh();
    await demoIn(folder);
    const { copies, steps } = await copiesBeforeSteps(folder, oneOf, async () => {
      const db = await openDatabase(folder);
      await work(db, folder);
      await db.close();
    });
    folders.push(...copies);
    return { copies, steps };
  }

  it('an archive that is taken in is all there or not at all', async () => {
    const from = fresh();
    await demoIn(from);
    const full = await openDatabase(from);
    let text = '';
    for await (const line of archiveLines(full)) text += line;
    await full.close();
    const lines = text.trimEnd().split('\n');
    const folder = fresh();
    expect(await machinesIn(folder)).toBe(0);
    const { copies, steps } = await copiesBeforeSteps(folder, 6, async () => {
      const db = await openDatabase(folder);
      const source = async function* () {
        yield* lines;
      };
      await takeArchive(db, source, false);
      await db.close();
    });
    folders.push(...copies);
    expect(steps).toBeGreaterThan(10);
    const found: number[] = [];
    for (const copy of copies) found.push(await machinesIn(copy));
    expect(new Set(found)).toEqual(new Set([0, MACHINES.length]));
    expect(found.at(-1)).toBe(MACHINES.length);
  });

  it('a backup leaves no half one that could be taken for good', async () => {
    const plan = (folder: string) => ({ folder: join(folder, 'backups'), keep: 2, everyHours: 24 });
    const { copies } = await demoDuring(1, async (db, folder) => {
      await backUp(db, plan(folder), NOW);
    });
    const kept: number[] = [];
    for (const copy of copies) {
      const { folder } = plan(copy);
      const whole = existsSync(folder)
        ? readdirSync(folder).filter((name) => name.endsWith('.sqlite'))
        : [];
      for (const name of whole) await checkFile(join(folder, name));
      kept.push(whole.length);
      expect(await machinesIn(copy)).toBe(MACHINES.length);
    }
    expect(kept[0]).toBe(0);
    expect(kept.at(-1)).toBe(1);
  });

  it('what was being worked out anew is worked out at the next start', async () => {
    const { copies, steps } = await demoDuring(40, (db) => rebuild(db, TODAY));
    expect(steps).toBeGreaterThan(40);
    const yards: unknown[] = [];
    for (const copy of copies) {
      const db = await openDatabase(copy);
      // Drift is the night's: where it was not reached, nobody waits for it.
      const lines = await listMachines(db, TODAY);
      yards.push(lines.map(({ recheck: _, ...line }) => line));
      await db.close();
    }
    expect(yards.length).toBeGreaterThan(2);
    expect(yards.at(-1)).toHaveLength(MACHINES.length);
    for (const yard of yards) expect(yard).toEqual(yards.at(-1));
  });
});

describe('on a disk that is full from some step on', () => {
  it('a first start fails in words, and the next begins again', async () => {
    for (let step = 0; step < 60; step++) {
      if (!isLookedAt(step, 9)) continue;
      const folder = fresh();
      const open = openDatabase.bind(undefined, folder);
      await withDiskFullAt(step, () => expect(open()).rejects.toThrow(/disk/));
      expect(await machinesIn(folder)).toBe(0);
    }
  });

  it('an upgrade fails in words and changes nothing; the next start goes on', async () => {
    let refused = 0;
    for (let step = 0; step < 40; step++) {
      if (!isLookedAt(step, 6)) continue;
      const folder = fresh();
      await earlierIn(folder);
      const open = () => openDatabase(folder).then((db) => db.close());
      await withDiskFullAt(step, async () => {
        const error: unknown = await open().catch((failed: unknown) => failed);
        if (error !== undefined) expect(error).toBeInstanceOf(FolderError);
        if (error instanceof FolderError) refused++;
      });
      const rows = await rowsOf(folder, 'SELECT name FROM machines');
      expect(rows).toEqual([{ name: 'Pump' }]);
    }
    expect(refused).toBeGreaterThan(4);
  });
});

describe('with no room left', () => {
  it('reads answer from what is there, and writes say why not', async () => {
    const server = await startTestServer();
    try {
      expect((await server.get('/machines')).body).toHaveLength(MACHINES.length);
      await server.db.write((transaction) =>
        server.db.run("UPDATE machine_reads SET day = ''", [], transaction),
      );
      const { id } = MACHINES[0]!;
      await withDiskFullAt(0, async () => {
        const yard = await server.get('/machines');
        expect([yard.status, yard.body.length]).toEqual([200, MACHINES.length]);
        expect((await server.get(`/machines/${id}`)).status).toBe(200);
        const head = { id: randomUUID(), machine: id, method: 'each', sheetRevision: 1, by: 'Ina' };
        const refused = await server.post('/jobs', { ...head, at: NOW.toISOString() });
        expect(refused.status).toBe(507);
        expect(refused.body.error.message).toContain('disk is full');
      });
      expect((await server.get('/machines')).status).toBe(200);
      const after = await server.db.rows("SELECT 1 FROM machine_reads WHERE day = ''");
      expect(after).toEqual([]);
    } finally {
      await server.close();
    }
  });
});

describe('a server that is stopped', () => {
  it('leaves everything in one file, its log folded in', async () => {
    const folder = fresh();
    for (let n = 0; n < 60; n++) {
      const db = await openDatabase(folder);
      await db.rows('SELECT 1 FROM jobs');
      const sql = 'UPDATE identity SET generation = $1';
      await db.write((transaction) => db.run(sql, [`life ${n}`], transaction));
      await db.close();
      expect(readdirSync(folder).filter((name) => /-(wal|shm)$/.test(name))).toEqual([]);
    }
  });
});

describe('what is lost', () => {
  it('is not taken for a new shop, and the way back is named', async () => {
    const folder = fresh();
    await demoIn(folder);
    const db = await openDatabase(folder);
    const plan = { folder: join(folder, 'backups'), keep: 2, everyHours: 24 };
    const file = await backUp(db, plan, NOW);
    await db.close();
    const live = join(folder, 'longbar.sqlite');
    writeFileSync(live, '');
    await expect(openDatabase(folder)).rejects.toThrow(`npm run restore ${file}`);
    expect(statSync(live).size).toBe(0);
    rmSync(live);
    await expect(openDatabase(folder)).rejects.toThrow(/is gone, though there was one/);
    expect(readdirSync(folder)).not.toContain('longbar.sqlite');
    await restore(file, folder, NOW);
    expect(await machinesIn(folder)).toBe(MACHINES.length);
  });

  it('of what was acknowledged is noticed at the next start, and phones are asked for it', async () => {
    const folder = fresh();
    await demoIn(folder);
    const live = join(folder, 'longbar.sqlite');
    const copy = join(folder, 'copy');
    copyFileSync(live, copy);
    const db = await openDatabase(folder);
    const { generation } = await identityOf(db);
    const [job] = await db.rows<{ id: string }>('SELECT id FROM jobs LIMIT 1');
    const { id } = job!;
    await appendEvents(db, id, [journalEvent(id, 1), journalEvent(id, 2)], NOW.toISOString());
    await db.close();
    // As if the log had vanished with what was in it.
    copyFileSync(copy, live);
    const again = await openDatabase(folder);
    expect(again.lost).toBe(2);
    expect((await readShopHere(again)).lost).toBe(2);
    expect((await identityOf(again)).generation).not.toBe(generation);
    await again.close();
    const third = await openDatabase(folder);
    expect(third.lost).toBe(0);
    await third.close();
  });

  it('a start that an earlier version left half made begins anew only where nothing is in it', async () => {
    const forget = async (folder: string) => {
      const storage = join(folder, 'longbar.sqlite');
      const sequelize = new Sequelize({ dialect: 'sqlite', storage, logging: false });
      await sequelize.query('DELETE FROM SequelizeMeta', { type: QueryTypes.DELETE });
      await sequelize.close();
    };
    const empty = fresh();
    await earlierIn(empty, false);
    await forget(empty);
    expect(await machinesIn(empty)).toBe(0);
    const held = fresh();
    await earlierIn(held);
    await forget(held);
    await expect(openDatabase(held)).rejects.toThrow(/left by an unfinished start/);
  });
});
