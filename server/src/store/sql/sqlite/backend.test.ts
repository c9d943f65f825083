import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import type { Database } from '../database';
import { openDatabase } from '../database';

let folder: string;
let db: Database;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'longbar-sqlite-'));
  db = await openDatabase(folder);
});
afterEach(async () => {
  await db.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('a database in a file', () => {
  it('writes ahead, syncs in full and holds foreign keys on every connection', async () => {
    const { sequelize } = db.tables.shops;
    await db.write(async (transaction) => {
      for (const [pragma, value] of [
        ['journal_mode', 'wal'],
        ['synchronous', 2],
        ['foreign_keys', 1],
      ]) {
        const options = { type: QueryTypes.SELECT, transaction } as const;
        const [row] = await sequelize!.query(`PRAGMA ${pragma}`, options);
        expect(Object.values(row!)).toEqual([value]);
      }
    });
  });

  it('says in one line that a folder cannot be written', async () => {
    expect(readdirSync(folder)).toContain('longbar.sqlite');
    const below = join(folder, 'longbar.sqlite', 'data');
    await expect(openDatabase(below)).rejects.toThrow(`The folder ${below} cannot be written.`);
  });
});
