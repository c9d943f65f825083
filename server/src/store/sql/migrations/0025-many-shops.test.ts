import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { NOW } from '../../../../test-support/now';
import { pendingSteps } from '../migrate';
import { upgrade } from '../sqlite/upgrade';

const AT = NOW.toISOString();

/** What each table of the version before holds in this test. */
const BEFORE: Record<string, object> = {
  shops: { id: 'shop', name: 'Saltworks', policy: 'to-target', bladeSets: '[]' },
  sheets: { id: 's', revision: 1, document: '{}', publishedAt: AT },
  machines: { id: 'm', name: 'Pump', sheet: 's', meter: '[]', baseline: '{}', about: '{' },
  hours_readings: { serial: 7, machine: 'm', date: '2026-01-01', hours: 12.5, job: 'j' },
  jobs: { id: 'j', machine: 'm', sheet: 's', sheetRevision: 1, method: 'each', at: AT, by: 'Ina' },
  events: { serial: 41, id: 'e', job: 'j', n: 1, body: '{}', receivedAt: AT, late: 0 },
  job_reads: { job: 'j', machine: 'm', at: AT, stale: 1, summary: '{}', check: '{}' },
  job_words: { job: 'j', at: AT, says: 'Weeps' },
  people: { id: 'p', name: 'Ina', role: 'foreman', demo: 0, pinWrong: 0 },
  phones: { id: 'f', person: 'p', tokenHash: 'h', pairedAt: AT },
  audit: { serial: 3, at: AT, what: 'code-shown', about: '' },
  keys: { key: 'k', names: '[]', registeredAt: AT },
  signatures: { job: 'j', words: '{}', key: 'k', signature: 'x' },
  waiting_hours: {
    id: 5,
    serial: 'S',
    model: '',
    date: '2026-01-01',
    hours: 1,
    why: 'x',
    says: '',
  },
  hook_messages: { id: 'h', hook: 'w', about: 'a', body: '', madeAt: AT, tries: 2 },
  planned: { machine: 'm', week: '2026-01-05', who: null },
};

describe('a database of one shop', () => {
  let folder: string;
  let sequelize: Sequelize;
  const rows = <Row extends object>(sql: string) =>
    sequelize.query<Row>(sql, { type: QueryTypes.SELECT });
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'longbar-shops-'));
    const storage = join(folder, 'longbar.sqlite');
    sequelize = new Sequelize({ dialect: 'sqlite', storage, logging: false });
    await sequelize.query('PRAGMA foreign_keys = ON');
    const { run } = await pendingSteps(sequelize);
    await run('0024-hook-signed');
    for (const [table, row] of Object.entries(BEFORE)) {
      const names = Object.keys(row).map((name) => `"${name}"`);
      const places = names.map((_, i) => `$${i + 1}`);
      const sql = `INSERT INTO ${table} (${names.join()}) VALUES (${places.join()})`;
      await sequelize.query(sql, { bind: Object.values(row) });
    }
    // One that came after is gone: its number is never given again.
    await sequelize.query(`UPDATE sqlite_sequence SET seq = 44 WHERE name = 'events'`);
    await upgrade(sequelize, folder);
  });
  afterAll(async () => {
    await sequelize.close();
    rmSync(folder, { recursive: true });
  });

  it('is the first shop of one of many, with all that was in it', async () => {
    for (const [table, { ...before }] of Object.entries(BEFORE)) {
      const own = table === 'shops' ? Object.entries(before).slice(1) : Object.entries(before);
      expect([table, await rows(`SELECT * FROM ${table}`)]).toEqual([
        table,
        [expect.objectContaining({ shop: 1, ...Object.fromEntries(own) })],
      ]);
    }
    expect(await rows('SELECT shop, demo FROM identity')).toEqual([{ shop: 1, demo: 0 }]);
    expect(await rows('SELECT shop FROM door')).toEqual([{ shop: 1 }]);
  });

  it('carries its shop in every table, and nothing belongs to nothing', async () => {
    const tables = await rows<{ name: string }>(
      `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`,
    );
    const without: string[] = [];
    for (const { name } of tables) {
      const columns = await rows<{ name: string }>(`PRAGMA table_info(${name})`);
      if (!columns.some((column) => column.name === 'shop')) without.push(name);
    }
    // Which steps it has done, and when all of it was looked through, is of no shop.
    expect(without).toEqual(['SequelizeMeta', 'last_look']);
    expect(await rows('PRAGMA foreign_key_check')).toEqual([]);
    const another = "INSERT INTO sheets VALUES (2, 's', 1, '{}', '', NULL)";
    await expect(sequelize.query(another)).rejects.toThrow('FOREIGN KEY');
  });

  it('goes on counting entries where it was', async () => {
    const seq = `SELECT seq FROM sqlite_sequence WHERE name = 'events'`;
    expect(await rows(seq)).toEqual([{ seq: 44 }]);
  });
});
