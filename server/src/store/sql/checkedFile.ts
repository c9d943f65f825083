import { existsSync } from 'node:fs';
import sqlite from 'sqlite3';

/** A backup cannot be made or restored; the message is fit for a person. */
export class BackupError extends Error {}

/** Whether the file is a whole database of this application. Throws BackupError if not. */
export async function checkFile(file: string): Promise<void> {
  if (!existsSync(file)) throw new BackupError(`There is no file ${file}.`);
  const ask = await openFile(file, sqlite.OPEN_READONLY);
  try {
    const [integrity] = await ask.all('PRAGMA integrity_check(1)');
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

type Row = Record<string, unknown>;
export type Asker = { all(sql: string): Promise<Row[]>; close(): Promise<void> };

/** A file of SQLite, opened by itself. Throws BackupError where it cannot be. */
export function openFile(file: string, mode: number): Promise<Asker> {
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
