import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Database } from '../src/store/sql/database';
import { openDatabase } from '../src/store/sql/database';
import type { Summarise } from '../src/jobRead/summary';
import { copyDemo } from './demoOnce';
import { loadDemo } from '../src/demo/loadDemo';
import { NOW } from './now';
import type { OwnDatabase } from './onPostgres';
import { newDatabase } from './onPostgres';

declare const POSTGRES: boolean | undefined;

/** Whether the tests of this run are on PostgreSQL. */
export const onPostgres = typeof POSTGRES !== 'undefined' && POSTGRES;

/** A database with a folder of its own; `end` closes it and takes both away. */
export type TestDatabase = {
  db: Database;
  folder: string;
  /** Its address, where it is in no file. */
  url: string | undefined;
  end(): Promise<void>;
};

/** An empty database; `reading` is how its jobs are read, where it is not the usual way. */
export function emptyDatabase(reading?: Summarise): Promise<TestDatabase> {
  return made('empty', reading);
}

/** A database with the demo yard as it was loaded at `NOW`; `reading` as above. */
export function demoDatabase(reading?: Summarise): Promise<TestDatabase> {
  return made('demo', reading);
}

/** An empty shop in a file, on whatever the other tests of the run are. */
export const emptyInFile = () => opened('empty', undefined);

/** The demo yard in a file, on whatever the other tests of the run are. */
export async function demoInFile(): Promise<TestDatabase> {
  const made = await emptyInFile();
  await loadDemo(made.db, NOW);
  return made;
}

async function made(like: 'empty' | 'demo', reading?: Summarise): Promise<TestDatabase> {
  return opened(like, onPostgres ? await newDatabase(like) : undefined, reading);
}

async function opened(
  like: 'empty' | 'demo',
  own: OwnDatabase | undefined,
  reading?: Summarise,
): Promise<TestDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-database-'));
  if (!own && like === 'demo') copyDemo(folder);
  const db = await openDatabase(folder, { reading, url: own?.url });
  return {
    db,
    folder,
    url: own?.url,
    async end() {
      await db.close();
      await own?.drop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
