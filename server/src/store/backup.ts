import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { copyFile } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite from 'sqlite3';
import type { Database } from './database';

/** A backup cannot be made or restored; the message is fit for a person. */
export class BackupError extends Error {}

const NAME = /^longbar-\d{8}-\d{6}\.sqlite$/;

/** Makes a backup, checks it, and keeps the newest so many. Answers its file. */
export async function backUp(
  db: Database,
  folder: string,
  keep: number,
  now: Date,
): Promise<string> {
  mkdirSync(folder, { recursive: true });
  const stamp = now.toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');
  const file = join(folder, `longbar-${stamp}.sqlite`);
  const part = `${file}.part`;
  rmSync(part, { force: true });
  await db.copyInto(part);
  await checkBackup(part);
  renameSync(part, file);
  const all = readdirSync(folder)
    .filter((name) => NAME.test(name))
    .sort();
  for (const old of all.slice(0, Math.max(0, all.length - keep))) rmSync(join(folder, old));
  return file;
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
  } catch {
    throw new BackupError('The server still runs on this folder. Stop it first.');
  } finally {
    await ask.close();
  }
}
