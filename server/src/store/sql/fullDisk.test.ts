import { AnyRow } from '../../../test-support/anyRow';
import { randomUUID } from 'node:crypto';
import { cpSync } from 'node:fs';
import { join } from 'node:path';
import { isLookedAt, withDiskFullAt } from '../../../test-support/everyStep';
import { copyDemo } from '../../../test-support/demoOnce';
import {
  wholeYard,
  archiveOf,
  backupsIn,
  each,
  earlierIn,
  fresh,
  machinesIn,
  planIn,
  rowsOf,
  TODAY,
} from '../../../test-support/folders';
import { NOW } from '../../../test-support/now';
import { startTestServer } from '../../../test-support/testServer';
import { MACHINES } from '../../demo/yard';
import { backUp } from './backup';
import { checkFile } from './checkedFile';
import { FolderError } from './dataFile';
import { openDatabase } from './database';
import { rebuild } from '../derived/readTables';
import { restore } from './restore';
import { takeArchive } from '../exchange/takeArchive';

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

describe('beside the work, on a disk that is full from some step on,', () => {
  /** What is done at each step of so many until it comes through, each time in a folder with `begin` in it. */
  async function everyStepOf(
    oneOf: number,
    begin: (folder: string) => Promise<unknown>,
    work: (folder: string) => Promise<unknown>,
    after: (folder: string, failed: unknown) => Promise<void>,
  ): Promise<number> {
    let refused = 0;
    for (let step = 0; ; step++) {
      if (!isLookedAt(step, oneOf)) continue;
      const folder = fresh();
      await begin(folder);
      let failed: unknown;
      const reached = await withDiskFullAt(step, async () => {
        failed = await work(folder).then(
          () => undefined,
          (error: unknown) => error,
        );
      });
      if (failed !== undefined) {
        refused++;
        expect(failed).toBeInstanceOf(Error);
      }
      await after(folder, failed);
      if (!reached) return refused;
    }
  }

  it('an archive is taken in or refused, and none of it is there then', async () => {
    const from = fresh();
    copyDemo(from);
    const lines = await archiveOf(from);
    const refused = await everyStepOf(
      6,
      async (folder) => expect(await machinesIn(folder)).toBe(0),
      async (folder) => {
        const db = await openDatabase(folder);
        try {
          await takeArchive(db, () => each(lines), false);
        } finally {
          await db.close();
        }
      },
      async (folder, failed) =>
        expect(await machinesIn(folder)).toBe(failed === undefined ? MACHINES.length : 0),
    );
    expect(refused).toBeGreaterThan(1);
  });

  it('a backup is made and whole, or there is none under its name', async () => {
    const made = fresh();
    copyDemo(made);
    const refused = await everyStepOf(
      1,
      async (folder) => cpSync(made, folder, { recursive: true }),
      async (folder) => {
        const db = await openDatabase(folder);
        try {
          await backUp(db, planIn(folder), NOW);
        } finally {
          await db.close();
        }
      },
      async (folder, failed) => {
        const kept = backupsIn(folder);
        expect(kept).toHaveLength(failed === undefined ? 1 : 0);
        for (const name of kept) await checkFile(join(planIn(folder).folder, name));
        expect(await machinesIn(folder)).toBe(MACHINES.length);
      },
    );
    expect(refused).toBeGreaterThan(1);
  });

  it('a restore is decided on or not, and the next start has one of the two', async () => {
    const from = fresh();
    copyDemo(from);
    const full = await openDatabase(from);
    const file = await backUp(full, planIn(from), NOW);
    await full.close();
    const refused = await everyStepOf(
      1,
      async (folder) => expect(await machinesIn(folder)).toBe(0),
      (folder) => restore(file, folder, NOW),
      async (folder, failed) => {
        const found = await machinesIn(folder);
        expect(failed === undefined ? [MACHINES.length] : [0, MACHINES.length]).toContain(found);
      },
    );
    expect(refused).toBeGreaterThan(1);
  });

  it('what was being worked out anew is worked out once there is room', async () => {
    const made = fresh();
    copyDemo(made);
    const yards = new Set<string>();
    const refused = await everyStepOf(
      40,
      async (folder) => cpSync(made, folder, { recursive: true }),
      async (folder) => {
        const db = await openDatabase(folder);
        try {
          await rebuild(db, TODAY);
        } finally {
          await db.close();
        }
      },
      async (folder) => {
        const db = await openDatabase(folder);
        yards.add(JSON.stringify(await wholeYard(db)));
        await db.close();
      },
    );
    expect(refused).toBeGreaterThan(1);
    expect(yards.size).toBe(1);
  });
});

describe('with no room left', () => {
  it('reads answer from what is there, and writes say why not', async () => {
    const server = await startTestServer();
    try {
      expect((await server.get('/machines')).body).toHaveLength(MACHINES.length);
      await server.db.write((transaction) =>
        server.db.whole.run("UPDATE machine_reads SET day = ''", [], transaction),
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
      const after = await server.db.whole.rows(
        AnyRow,
        "SELECT 1 FROM machine_reads WHERE day = ''",
      );
      expect(after).toEqual([]);
    } finally {
      await server.close();
    }
  });
});
