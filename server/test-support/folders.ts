import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { MachineLine } from '@longbar/core';
import { Sequelize } from 'sequelize';
import { loadDemo } from '../src/demo/loadDemo';
import { archiveLines } from '../src/store/exchange/archive';
import type { Database } from '../src/store/sql/database';
import { openDatabase } from '../src/store/sql/database';
import { settleDrift } from '../src/store/derived/drift';
import { listMachines } from '../src/store/derived/machines';
import { pendingSteps } from '../src/store/sql/migrate';
import { AnyRow } from './anyRow';
import { NOW } from './now';

/* Data folders of a test's own: as a start, an upgrade or a restore finds and leaves them. */

/** The day of `NOW`. */
export const TODAY = '2026-11-23';

/** What goes after each test. */
export const folders: string[] = [];
/** A new folder, gone after the test. */
export const fresh = () => {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-steps-'));
  folders.push(folder);
  return folder;
};
afterEach(() => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true });
});

/** How many machines a start finds in a folder; it is closed again. */
export async function machinesIn(folder: string): Promise<number> {
  const db = await openDatabase(folder);
  try {
    return (await listMachines(db, TODAY)).length;
  } finally {
    await db.close();
  }
}

/** Loads the demo into a folder. */
export async function demoIn(folder: string): Promise<void> {
  const db = await openDatabase(folder);
  try {
    await loadDemo(db, NOW);
  } finally {
    await db.close();
  }
}

/** A database as an earlier version left it: its first steps, and something in it. */
export async function earlierIn(folder: string, rows = true): Promise<void> {
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

/** What a plain query answers in a folder. */
export async function rowsOf(folder: string, sql: string): Promise<object[]> {
  const db = await openDatabase(folder);
  try {
    return await db.whole.rows(AnyRow, sql);
  } finally {
    await db.close();
  }
}

/** The yard with its drift worked out, which is the night's: all of it is told by the journals. */
export async function wholeYard(db: Database): Promise<MachineLine[]> {
  await listMachines(db, TODAY);
  await settleDrift(db);
  return listMachines(db, TODAY);
}

/** Where a folder's backups are. */
export const planIn = (folder: string) => ({
  folder: join(folder, 'backups'),
  keep: 2,
  everyHours: 24,
});

/** The backups of a folder by their names: those that could be taken for good. */
export function backupsIn(folder: string): string[] {
  const backups = planIn(folder).folder;
  return existsSync(backups) ? readdirSync(backups).filter((name) => name.endsWith('.sqlite')) : [];
}

/** The lines of a folder's archive. */
export async function archiveOf(folder: string): Promise<string[]> {
  const db = await openDatabase(folder);
  let text = '';
  for await (const line of archiveLines(db)) text += line;
  await db.close();
  return text.trimEnd().split('\n');
}

/** Lines as they come out of a file. */
export async function* each(lines: readonly string[]): AsyncGenerator<string> {
  yield* lines;
}
