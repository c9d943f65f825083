import { randomBytes, randomUUID } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestServer } from '../../../test-support/testServer';
import { NOW } from '../../../test-support/now';
import { startTestServer } from '../../../test-support/testServer';
import { MACHINES } from '../../demo/yard';
import { backUp } from './backup';
import { backupsIn, backupState } from './backupFiles';
import { checkFile } from './checkedFile';
import { openDatabase } from './database';
import { listMachines } from '../derived/machines';
import { keepBlob, sha256 } from '../journal/blobs';
import { restore } from './restore';

let server: TestServer;
let folder: string;
beforeAll(async () => {
  server = await startTestServer();
  folder = mkdtempSync(join(tmpdir(), 'longbar-backup-'));
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

const TODAY = '2026-11-23';
const mkdirp = (name: string) => {
  mkdirSync(join(folder, name), { recursive: true });
  return join(folder, name);
};
const plan = (name: string, keep = 5, to?: string) => ({
  folder: join(folder, name),
  keep,
  everyHours: 24,
  to,
});
const later = (n: number) => new Date(NOW.getTime() + n * 1000);

describe('a backup', () => {
  it('is whole while the work goes on, and only the newest are kept', async () => {
    const job = randomUUID();
    const head = { id: job, machine: MACHINES[0]!.id, method: 'each', sheetRevision: 1, by: 'Ina' };
    await server.post('/jobs', { ...head, at: NOW.toISOString() });
    const posts = Array.from({ length: 20 }, (_, n) =>
      server.post(`/jobs/${job}/events`, [
        { id: randomUUID(), job, n: n + 1, at: NOW.toISOString(), by: 'Ina', type: 'bar.out' },
      ]),
    );
    const backups = join(folder, 'backups');
    for (let i = 0; i < 4; i++) await backUp(server.db, plan('backups', 3), later(i));
    await Promise.all(posts);
    const names = readdirSync(backups);
    expect(names).toHaveLength(3);
    for (const name of names) await checkFile(join(backups, name));
  });

  it('keeps nobody from reading while it is made', async () => {
    const { db } = server;
    const photo = randomBytes(40_000_000);
    await keepBlob(db, sha256(photo), 'image/jpeg', photo, NOW.toISOString());
    const file = join(mkdirp('beside'), 'copy.sqlite');
    await listMachines(db, TODAY);
    let copying = true;
    const copied = db.copyInto(file).finally(() => (copying = false));
    let reads = 0;
    for (; copying; reads++) await listMachines(db, TODAY);
    await copied;
    // By one connection for both there are three: those that were asked before the copy began.
    expect(reads).toBeGreaterThan(5);
  });

  it('is restored to the same yard, and what was there is kept beside it', async () => {
    const file = await backUp(server.db, plan('one'), later(60));
    const yard = await listMachines(server.db, TODAY);
    const other = join(folder, 'other');
    expect(await restore(file, other, NOW)).toBeNull();
    const restored = await openDatabase(other);
    expect(await listMachines(restored, TODAY)).toEqual(yard);
    await expect(restore(file, other, NOW)).rejects.toThrow('The server still runs');
    await restored.close();
    expect(await restore(file, other, NOW)).toContain('longbar-before-');
  });

  it('is known by its number, so that a clock that was ahead loses nothing', async () => {
    const ahead = plan('ahead', 2);
    writeFileSync(join(mkdirp('ahead'), 'longbar-20260101-000000.sqlite'), 'an earlier version’s');
    const first = await backUp(server.db, ahead, later(9e7));
    expect(backupState(ahead, later(0))).toMatchObject({ due: true, late: true });
    const second = await backUp(server.db, ahead, later(0));
    expect(backupsIn(ahead.folder).map(({ file }) => file)).toEqual([first, second]);
    const third = await backUp(server.db, ahead, later(10));
    expect(backupsIn(ahead.folder).map(({ file }) => file)).toEqual([second, third]);
    expect(backupState(ahead, later(11))).toMatchObject({ due: false, late: false });
    const hours = 3600;
    expect(backupState(ahead, later(10 + 24 * hours))).toMatchObject({ due: true, late: false });
    expect(backupState(ahead, later(10 + 48 * hours))).toMatchObject({ due: true, late: true });
    expect(backupState(plan('none'), later(0))).toMatchObject({ last: null, due: true });
  });

  it('tidies what was begun and never finished, but not what is being made', async () => {
    const parts = plan('parts');
    const [old, now] = ['000007-20260101-000000', '000008-20260101-000000'].map((name) =>
      join(mkdirp('parts'), `longbar-${name}.sqlite.part`),
    ) as [string, string];
    for (const file of [old, now]) writeFileSync(file, 'half');
    const at = new Date();
    utimesSync(old, at, new Date(at.getTime() - 2 * 3_600_000));
    await backUp(server.db, parts, at);
    expect([existsSync(old), existsSync(now)]).toEqual([false, true]);
  });

  it('is copied to a second folder; where it cannot be, the first is kept and it is said', async () => {
    const both = plan('both', 2, join(folder, 'elsewhere'));
    for (let i = 0; i < 3; i++) await backUp(server.db, both, later(i));
    expect(backupsIn(join(folder, 'elsewhere'))).toHaveLength(2);
    expect(backupState(both, later(3)).second).toEqual(later(2));
    writeFileSync(join(folder, 'a-file'), '');
    const nowhere = plan('nowhere', 2, join(folder, 'a-file'));
    await expect(backUp(server.db, nowhere, later(0))).rejects.toThrow(/is made, but not copied/);
    expect(backupsIn(nowhere.folder)).toHaveLength(1);
  });

  it('goes in the place of a damaged database, which is kept as it is', async () => {
    const file = await backUp(server.db, plan('whole'), later(0));
    const damaged = join(mkdirp('damaged'), 'longbar.sqlite');
    writeFileSync(damaged, 'no database any more'.repeat(500));
    const before = await restore(file, join(folder, 'damaged'), NOW);
    expect(readFileSync(before ?? '', 'utf8')).toContain('no database any more');
    const again = await openDatabase(join(folder, 'damaged'));
    expect((await listMachines(again, TODAY)).length).toBe(MACHINES.length);
    await again.close();
  });

  it('that is damaged or something else replaces nothing', async () => {
    const file = await backUp(server.db, plan('two'), later(90));
    const other = join(folder, 'third');
    await restore(file, other, NOW);
    truncateSync(file, 20_000);
    await expect(restore(file, other, NOW)).rejects.toThrow();
    writeFileSync(join(folder, 'words'), 'these are words');
    await expect(restore(join(folder, 'words'), other, NOW)).rejects.toThrow(/cannot be read/);
    await expect(restore(join(folder, 'none'), other, NOW)).rejects.toThrow('There is no file');
    const still = await openDatabase(other);
    expect((await listMachines(still, TODAY)).length).toBe(MACHINES.length);
    await still.close();
  });
});
