import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { copyFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import sqlite from 'sqlite3';
import { forgetAcknowledged } from './sqlite/acknowledged';
import { BackupError, checkFile, openFile } from './checkedFile';

/** The database of a data folder. */
export const LIVE = 'longbar.sqlite';

/** A checked backup that is to take the place of what is there: from here on it will. */
const DECIDED = /^longbar-restoring-(\d+)\.sqlite$/;

/**
 * Puts a backup in the place of what is in `folder`, after checking it. What was there is kept
 * beside it, and its name answered. Cut off at any moment, it has not begun, or the next start
 * finishes it. Throws BackupError where the server still runs or the backup is not whole.
 */
export async function restore(file: string, folder: string, now: Date): Promise<string | null> {
  await checkFile(file);
  mkdirSync(folder, { recursive: true });
  const live = join(folder, LIVE);
  const part = join(folder, 'longbar-restoring.part');
  await copyFile(file, part);
  await beginAnew(part, file, now);
  await checkFile(part);
  if (existsSync(live)) await nobodyElse(live);
  renameSync(part, join(folder, `longbar-restoring-${now.getTime()}.sqlite`));
  return finishRestore(folder);
}

/** Another life of the database: phones offer what they hold and it lacks. */
async function beginAnew(file: string, from: string, now: Date): Promise<void> {
  const ask = await openFile(file, sqlite.OPEN_READWRITE);
  try {
    const columns = async (table: string) =>
      (await ask.all(`PRAGMA table_info(${table})`)).map(({ name }) => name);
    // One of an earlier version gets its first generation when it is opened.
    if (!(await columns('identity')).includes('generation')) return;
    await ask.all('UPDATE identity SET generation = lower(hex(randomblob(16)))');
    const audit = await columns('audit');
    if (audit.length === 0) return;
    // Each shop of it is told; one of an earlier version has only one.
    const shop = audit.includes('shop') ? 'shop, ' : '';
    const about = basename(from).replaceAll("'", "''");
    await ask.all(`INSERT INTO audit (${shop}at, what, about)
      SELECT ${shop}'${now.toISOString()}', 'backup-restored', '${about}' FROM identity`);
  } finally {
    await ask.close();
  }
}

/** Finishes a restore that was decided on. Answers what was there before, if anything. */
export function finishRestore(folder: string): string | null {
  const name = existsSync(folder) ? readdirSync(folder).find((each) => DECIDED.test(each)) : null;
  if (!name) return null;
  const live = join(folder, LIVE);
  const before = join(folder, `longbar-before-${DECIDED.exec(name)?.[1]}.sqlite`);
  // The log goes first: beside the restored database it would be taken for its own.
  if (existsSync(`${live}-wal`)) renameSync(`${live}-wal`, `${before}-wal`);
  rmSync(`${live}-shm`, { force: true });
  if (existsSync(live)) renameSync(live, before);
  forgetAcknowledged(folder);
  renameSync(join(folder, name), live);
  return existsSync(before) ? before : null;
}

/** Whether another process has the database open; anything else says that it is damaged. */
function isBusy(error: unknown): boolean {
  return error instanceof Error && /SQLITE_(BUSY|LOCKED)/.test(error.message);
}

/** Takes the live database alone, which works only while no server has it open. */
async function nobodyElse(live: string): Promise<void> {
  if (statSync(live).size === 0) return;
  const ask = await openFile(live, sqlite.OPEN_READWRITE);
  try {
    await ask.all('PRAGMA locking_mode = EXCLUSIVE');
    await ask.all('PRAGMA wal_checkpoint(TRUNCATE)');
    await ask.all('BEGIN EXCLUSIVE');
    await ask.all('COMMIT');
    await ask.all('PRAGMA journal_mode = DELETE');
  } catch (error) {
    if (isBusy(error))
      throw new BackupError('The server still runs on this folder. Stop it first.');
    // What cannot be read is no reason to stay without the backup: it is kept beside it as it is.
  } finally {
    await ask.close();
  }
}
