import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { copyFile } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite from 'sqlite3';
import type { BackupPlan } from './backupFiles';
import { nextBackup, tidyBackups } from './backupFiles';
import type { Database } from './database';

/** A backup cannot be made or restored; the message is fit for a person. */
export class BackupError extends Error {}

/**
 * Makes a backup, checks it, keeps the newest so many, and copies it to the second folder where
 * there is one. Answers its file. Throws BackupError, the backup kept, where it was not copied.
 */
export async function backUp(db: Database, plan: BackupPlan, now: Date): Promise<string> {
  const { folder, to, keep } = plan;
  mkdirSync(folder, { recursive: true });
  const file = join(folder, nextBackup(folder, now));
  const part = `${file}.part`;
  rmSync(part, { force: true });
  await db.copyInto(part);
  await checkBackup(part);
  renameSync(part, file);
  tidyBackups(folder, keep, now);
  if (to !== undefined) await copyTo(to, file, keep, now);
  return file;
}

/** A second copy, checked as the first. */
async function copyTo(folder: string, file: string, keep: number, now: Date): Promise<void> {
  try {
    mkdirSync(folder, { recursive: true });
    const copy = join(folder, nextBackup(folder, now));
    await copyFile(file, `${copy}.part`);
    await checkBackup(`${copy}.part`);
    renameSync(`${copy}.part`, copy);
    tidyBackups(folder, keep, now);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new BackupError(`The backup ${file} is made, but not copied to ${folder}: ${why}`);
  }
}

/** Whether the file is a whole database of this application. Throws BackupError if not. */
export async function checkBackup(file: string): Promise<void> {
  if (!existsSync(file)) throw new BackupError(`There is no file ${file}.`);
  const ask = await openReadOnly(file);
  try {
    const [integrity] = await ask.all('PRAGMA integrity_check');
    if (integrity?.integrity_check !== 'ok') throw new BackupError(`${file} is damaged.`);
    const orphans = await ask.all('PRAGMA foreign_key_check');
    if (orphans.length > 0) throw new BackupError(`${file} has rows that belong to nothing.`);
    const tables = await ask.all("SELECT name FROM sqlite_master WHERE type = 'table'");
    const names = new Set(tables.map(({ name }) => name));
    const missing = ['machines', 'sheets', 'jobs', 'events'].filter((name) => !names.has(name));
    if (missing.length > 0) throw new BackupError(`${file} is no backup: it has no ${missing[0]}.`);
  } finally {
    await ask.close();
  }
}

/**
 * Puts a backup in the place of what is in `folder`, after checking it. What was there is kept
 * beside it. Throws BackupError where the server still runs or the backup is not whole.
 */
export async function restore(file: string, folder: string, now: Date): Promise<string | null> {
  await checkBackup(file);
  mkdirSync(folder, { recursive: true });
  const live = join(folder, 'longbar.sqlite');
  let before: string | null = null;
  const part = join(folder, 'restoring.part');
  await copyFile(file, part);
  await checkBackup(part);
  if (existsSync(live)) {
    await nobodyElse(live);
    before = join(folder, `longbar-before-${now.getTime()}.sqlite`);
    renameSync(live, before);
    for (const rest of ['-wal', '-shm']) rmSync(`${live}${rest}`, { force: true });
  }
  renameSync(part, live);
  return before;
}

type Row = Record<string, unknown>;
type Asker = { all(sql: string): Promise<Row[]>; close(): Promise<void> };

function open(file: string, mode: number): Promise<Asker> {
  return new Promise((resolve, reject) => {
    const db = new sqlite.Database(file, mode, (failed) => {
      if (failed) return reject(new BackupError(`${file} cannot be opened: ${failed.message}`));
      resolve({
        all: (sql) =>
          new Promise((answer, refuse) => {
            db.all<Row>(sql, (error, rows) => {
              if (error) refuse(new BackupError(`${file} cannot be read: ${error.message}`));
              else answer(rows);
            });
          }),
        close: () => new Promise((done) => db.close(() => done())),
      });
    });
  });
}

function openReadOnly(file: string): Promise<Asker> {
  return open(file, sqlite.OPEN_READONLY);
}

/** Whether another process has the database open; anything else says that it is damaged. */
function isBusy(error: unknown): boolean {
  return error instanceof Error && /SQLITE_(BUSY|LOCKED)/.test(error.message);
}

/** Takes the live database alone, which works only while no server has it open. */
async function nobodyElse(live: string): Promise<void> {
  if (statSync(live).size === 0) return;
  const ask = await open(live, sqlite.OPEN_READWRITE);
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
