import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { loadDemo } from '../src/demo/loadDemo';
import type { OwnPostgres } from '../src/several/ownPostgres';
import { startOwnPostgres } from '../src/several/ownPostgres';
import { openDatabase } from '../src/store/sql/database';
import { NOW } from './now';

/** Where the run keeps its server: the address of its first database. */
const KEPT = 'LONGBAR_TEST_POSTGRES';

/** What each database of a test is made like. */
const LIKE = { demo: 'like_demo', empty: 'like_empty', bare: 'template0' };

/** Nothing of it outlives the run. */
const CARELESS = { fsync: 'off', full_page_writes: 'off', synchronous_commit: 'off' };

/** Jest starts a PostgreSQL before the first test that is on it, with the demo yard loaded once. */
export default async function startOnce(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'longbar-postgres-'));
  const own: OwnPostgres = await startOwnPostgres(folder, CARELESS);
  process.once('exit', () => {
    own.kill();
    // It may still be writing its last.
    rmSync(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 100 });
  });
  process.env[KEPT] = own.url('postgres');
  for (const which of ['demo', 'empty'] as const) {
    const name = LIKE[which];
    await asked(`CREATE DATABASE ${name}`);
    const db = await openDatabase(folder, { url: own.url(name) });
    if (which === 'demo') await loadDemo(db, NOW);
    await db.close();
  }
}

async function asked(sql: string): Promise<void> {
  const client = new pg.Client(process.env[KEPT]);
  await client.connect();
  await client.query(sql);
  await client.end();
}

/** A database of a test's own. */
export type OwnDatabase = { url: string; drop(): Promise<void> };

/** Another database: with the demo yard, an empty shop, or nothing at all. */
export async function newDatabase(like: keyof typeof LIKE): Promise<OwnDatabase> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  await asked(`CREATE DATABASE ${name} TEMPLATE ${LIKE[like]}`);
  const url = new URL(process.env[KEPT] ?? '');
  url.pathname = `/${name}`;
  return { url: url.href, drop: () => asked(`DROP DATABASE ${name} WITH (FORCE)`) };
}
