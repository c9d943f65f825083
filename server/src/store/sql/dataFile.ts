import { ignore } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { backupsIn } from './backupFiles';
import { finishRestore, LIVE } from './restore';

/** The database or its folder cannot be used; the message is fit for a person. */
export class FolderError extends Error {}

/** A database that is being made for the first time, under another name until it is whole. */
const STARTING = 'longbar-starting.sqlite';

/**
 * The file of the database in `folder`, fit to be opened: a restore that was cut off is finished,
 * and where there never was a database one is made. What was lost is not taken for a new shop.
 * Without `make` nothing is done in the folder: whoever works beside a server would be in its way.
 * Throws FolderError.
 */
export async function dataFile(
  folder: string,
  make: ((file: string) => Promise<void>) | undefined,
): Promise<string> {
  const live = join(folder, LIVE);
  if (!make) {
    if (existsSync(live)) return live;
    throw new FolderError(`${live} is gone.`);
  }
  checkFolder(folder);
  finishRestore(folder);
  if (existsSync(live)) {
    if (statSync(live).size > 0) return live;
    throw new FolderError(
      `${live} is empty. This is no new shop: it was cut off. ${wayBack(folder)}`,
    );
  }
  if (existsSync(`${live}-wal`) || backupsIn(backupFolder(folder)).length > 0) {
    throw new FolderError(`${live} is gone, though there was one. ${wayBack(folder)}`);
  }
  const starting = join(folder, STARTING);
  for (const rest of ['', '-wal', '-shm', '-journal'])
    rmSync(`${starting}${rest}`, { force: true });
  await make(starting);
  renameSync(starting, live);
  return live;
}

/** Where the backups of a data folder are. */
export function backupFolder(folder: string): string {
  return join(folder, 'backups');
}

/** How a shop comes back whose database is lost or damaged, for a person. */
export function wayBack(folder: string): string {
  const last = backupsIn(backupFolder(folder)).at(-1)?.file;
  const begin = `To begin a new shop, move all of ${folder} away.`;
  // The command stands last: it is copied as it is.
  return last
    ? `${begin} To go on from the last backup, stop the server and run: npm run restore ${last}`
    : `${begin} There is no backup in this folder; with one from elsewhere, run: npm run restore FILE`;
}

function checkFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
    // A read-only file system passes the check above when one is root.
    const probe = join(folder, `.probe-${randomUUID()}`);
    writeFileSync(probe, '');
    rmSync(probe);
  } catch (error) {
    ignore('it is told in words')(error);
    throw new FolderError(
      `The folder ${folder} cannot be written. Set LONGBAR_DATA to one that can.`,
    );
  }
}
