import { mkdirSync, renameSync, rmSync } from 'node:fs';
import { copyFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupPlan } from './backupFiles';
import { nextBackup, tidyBackups } from './backupFiles';
import { BackupError, checkFile } from './checkedFile';
import type { Database } from './database';

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
  await checkFile(part);
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
    await checkFile(`${copy}.part`);
    renameSync(`${copy}.part`, copy);
    tidyBackups(folder, keep, now);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new BackupError(`The backup ${file} is made, but not copied to ${folder}: ${why}`);
  }
}
