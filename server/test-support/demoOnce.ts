import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadDemo } from '../src/demo/loadDemo';
import { openDatabase } from '../src/store/sql/database';
import { NOW } from './now';

/** Where the run keeps its demo yard. */
const KEPT = 'LONGBAR_TEST_DEMO';

/** Jest loads the demo yard once, before the first test of the server. Answers nothing. */
export default async function loadOnce(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-demo-'));
  const db = await openDatabase(folder);
  await loadDemo(db, NOW);
  await db.close();
  process.env[KEPT] = folder;
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
}

/** Puts the demo yard into an empty data folder, as it was loaded at `NOW`: the same shop in each. */
export function copyDemo(folder: string): void {
  const kept = process.env[KEPT];
  if (kept === undefined) throw new Error('No demo was loaded before the tests.');
  cpSync(kept, folder, { recursive: true });
}
