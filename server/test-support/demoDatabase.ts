import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Database } from '../src/store/sql/database';
import { openDatabase } from '../src/store/sql/database';
import type { Summarise } from '../src/jobRead/summary';
import { copyDemo } from './demoOnce';

/** A database in a folder of its own; `end` closes it and takes the folder away. */
export type TestDatabase = { db: Database; end(): Promise<void> };

/** An empty database; `reading` is how its jobs are read, where it is not the usual way. */
export async function emptyDatabase(reading?: Summarise): Promise<TestDatabase> {
  return openedIn(newFolder(), reading);
}

const newFolder = () => mkdtempSync(join(tmpdir(), 'longbar-database-'));

async function openedIn(folder: string, reading?: Summarise): Promise<TestDatabase> {
  const db = await openDatabase(folder, reading);
  return {
    db,
    async end() {
      await db.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A database with the demo yard as it was loaded at `NOW`; `reading` as above. */
export async function demoDatabase(reading?: Summarise): Promise<TestDatabase> {
  const folder = newFolder();
  copyDemo(folder);
  return openedIn(folder, reading);
}
