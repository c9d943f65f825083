import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Environment } from '../settings';
import { databaseFrom } from '../settings';

/** In the data folder: where the application's own PostgreSQL is while it runs. */
const FILE = 'longbar-database';

/** Notes where it is, so that a command beside the server finds it. Nobody else may read it. */
export function noteDatabase(folder: string, url: string): void {
  writeFileSync(join(folder, FILE), url, { mode: 0o600 });
}

/** It runs no more. */
export function forgetDatabase(folder: string): void {
  rmSync(join(folder, FILE), { force: true });
}

/** The PostgreSQL database of a data folder, or the one that the environment names; undefined for a file. */
export function databaseOf(folder: string, env: Environment): string | undefined {
  const file = join(folder, FILE);
  const noted = existsSync(file) ? readFileSync(file, 'utf8') : undefined;
  return databaseFrom(env.DATABASE_URL) ?? noted;
}
