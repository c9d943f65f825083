import { existsSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Beside the database: its age is that of the last look through all of it. */
const FILE = 'longbar-looked';

/** More than a day and a night, ms. */
const OLD = 30 * 3_600_000;

/** Whether the database of a folder was not looked through for more than a day and a night. */
export function isLookOld(folder: string, now: number): boolean {
  const file = join(folder, FILE);
  // One from a clock that was ahead tells nothing.
  return !existsSync(file) || Math.abs(now - statSync(file).mtimeMs) > OLD;
}

/** All of it was looked through. */
export function noteLook(folder: string): void {
  writeFileSync(join(folder, FILE), '');
}
