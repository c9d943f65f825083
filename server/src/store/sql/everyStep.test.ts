import { AnyRow } from '../../../test-support/anyRow';
import * as v from 'valibot';
import type { JobEvent } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { copiesBeforeSteps } from '../../../test-support/everyStep';
import { copyDemo } from '../../../test-support/demoOnce';
import {
  wholeYard,
  archiveOf,
  backupsIn,
  demoIn,
  each,
  earlierIn,
  folders,
  fresh,
  machinesIn,
  planIn,
  rowsOf,
  TODAY,
} from '../../../test-support/folders';
import { NOW } from '../../../test-support/now';
import { MACHINES } from '../../demo/yard';
import { backUp } from './backup';
import { checkFile } from './checkedFile';
import type { Database } from './database';
import { openDatabase } from './database';
import { appendEvents } from '../journal/appends';
import { rebuild } from '../derived/readTables';
import { restore } from './restore';
import { identityOf, readShopHere } from '../yard/shop';
import { takeArchive } from '../exchange/takeArchive';

function journalEvent(job: string, n: number): JobEvent {
  return { id: randomUUID(), job, n: 9000 + n, at: NOW.toISOString(), by: 'Ina', type: 'bar.out' };
}

jest.setTimeout(300_000);

describe('cut off at any step', () => {
  it('a first start begins again, and the demo is all there or not at all', async () => {
    const folder = fresh();
    const { copies, steps } = await copiesBeforeSteps(folder, 160, () => demoIn(folder));
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
    const { copies, steps } = await copiesBeforeSteps(folder, 8, () => rowsOf(folder, 'SELECT 1'));
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
    copyDemo(from);
    const full = await openDatabase(from);
    const file = await backUp(full, planIn(from), NOW);
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
    copyDemo(folder);
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
    copyDemo(from);
    const lines = await archiveOf(from);
    const folder = fresh();
    expect(await machinesIn(folder)).toBe(0);
    const { copies, steps } = await copiesBeforeSteps(folder, 6, async () => {
      const db = await openDatabase(folder);
      await takeArchive(db, () => each(lines), false);
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
    const { copies } = await demoDuring(1, async (db, folder) => {
      await backUp(db, planIn(folder), NOW);
    });
    const kept: number[] = [];
    for (const copy of copies) {
      const whole = backupsIn(copy);
      for (const name of whole) await checkFile(join(planIn(copy).folder, name));
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
      yards.push(await wholeYard(db));
      await db.close();
    }
    expect(yards.length).toBeGreaterThan(2);
    expect(yards.at(-1)).toHaveLength(MACHINES.length);
    for (const yard of yards) expect(yard).toEqual(yards.at(-1));
  });
});

describe('a server that is stopped', () => {
  it('leaves everything in one file, its log folded in', async () => {
    const folder = fresh();
    for (let n = 0; n < 60; n++) {
      const db = await openDatabase(folder);
      await db.whole.rows(AnyRow, 'SELECT 1 FROM jobs');
      const sql = 'UPDATE identity SET generation = $1';
      await db.write((transaction) => db.whole.run(sql, [`life ${n}`], transaction));
      await db.close();
      expect(readdirSync(folder).filter((name) => /-(wal|shm)$/.test(name))).toEqual([]);
    }
  });
});

describe('what is lost', () => {
  it('with its folder, while it is being opened, leaves no empty file behind', async () => {
    const folder = fresh();
    copyDemo(folder);
    const opening = openDatabase(folder);
    rmSync(folder, { recursive: true });
    mkdirSync(folder);
    const db = await opening.catch(() => undefined);
    await db?.close();
    expect(readdirSync(folder)).not.toContain('longbar.sqlite');
  });

  it('is not made anew by what works beside a server', async () => {
    const folder = fresh();
    await expect(openDatabase(folder, { mayMake: false })).rejects.toThrow('is gone');
    expect(readdirSync(folder)).toEqual([]);
  });

  it('is not taken for a new shop, and the way back is named', async () => {
    const folder = fresh();
    copyDemo(folder);
    const db = await openDatabase(folder);
    const file = await backUp(db, planIn(folder), NOW);
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
    copyDemo(folder);
    const live = join(folder, 'longbar.sqlite');
    const copy = join(folder, 'copy');
    copyFileSync(live, copy);
    const db = await openDatabase(folder);
    const { generation } = await identityOf(db);
    const [job] = await db.whole.rows(v.object({ id: v.string() }), 'SELECT id FROM jobs LIMIT 1');
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
