import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestServer } from '../../test-support/testServer';
import { NOW, startTestServer } from '../../test-support/testServer';
import { MACHINES } from '../demo/yard';
import { backUp, checkBackup, restore } from './backup';
import { openDatabase } from './database';
import { listMachines } from './machines';

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
    for (let i = 0; i < 4; i++) await backUp(server.db, backups, 3, later(i));
    await Promise.all(posts);
    const names = readdirSync(backups);
    expect(names).toHaveLength(3);
    for (const name of names) await checkBackup(join(backups, name));
  });

  it('is restored to the same yard, and what was there is kept beside it', async () => {
    const file = await backUp(server.db, join(folder, 'one'), 5, later(60));
    const yard = await listMachines(server.db, TODAY);
    const other = join(folder, 'other');
    expect(await restore(file, other, NOW)).toBeNull();
    const restored = await openDatabase(other);
    expect(await listMachines(restored, TODAY)).toEqual(yard);
    await expect(restore(file, other, NOW)).rejects.toThrow('The server still runs');
    await restored.close();
    expect(await restore(file, other, NOW)).toContain('longbar-before-');
  });

  it('that is damaged or something else replaces nothing', async () => {
    const file = await backUp(server.db, join(folder, 'two'), 5, later(90));
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
