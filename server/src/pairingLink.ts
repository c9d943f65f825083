import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { noteAudit } from './store/yard/audit';
import type { Database } from './store/sql/database';
import { beginPairing } from './store/yard/pairing';
import { isNobodyHere } from './store/yard/people';

/** Beside the database: where the server was served last. */
const FILE = 'longbar-address';

/** Notes where the server is, so that a link made beside it leads there. */
export function noteAddress(folder: string, url: string): void {
  writeFileSync(join(folder, FILE), url);
}

/**
 * A link that pairs a phone as a foreman's, once and within a quarter of an hour. The code stands
 * behind the `#`, which no browser sends and no log keeps.
 */
export async function foremansLink(db: Database, folder: string): Promise<string> {
  const { code } = await beginPairing(db, 'foreman', new Date());
  await noteAudit(db, { what: 'link-printed', who: null });
  const file = join(folder, FILE);
  const url = existsSync(file) ? readFileSync(file, 'utf8') : 'http://127.0.0.1:8640/';
  return `${url}pair#${code}`;
}

/** The same where nobody works here yet; undefined in a shop that has a foreman. */
export async function firstLink(db: Database, folder: string): Promise<string | undefined> {
  return (await isNobodyHere(db)) ? foremansLink(db, folder) : undefined;
}
