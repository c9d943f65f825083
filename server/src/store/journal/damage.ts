import * as v from 'valibot';
import { standingOf } from './arrival';
import type { Database } from '../sql/database';
import { sealOf } from './seal';

/**
 * Looks through what is written down in a shop: that every document can be read, and that each
 * signed job still has its seal. Answers what is spoiled, each by its name.
 */
export async function lookAtShop(db: Database): Promise<string[]> {
  return [...(await unreadable(db)), ...(await brokenSeals(db))];
}

/** Each document of what is written down: its table and column, and what the row is known by. */
const DOCUMENTS = [
  ['events', 'body', 'job'],
  ['sheets', 'document', 'id'],
  ['machines', 'baseline', 'name'],
  ['machines', 'about', 'name'],
  ['machines', 'meter', 'name'],
] as const;

async function unreadable(db: Database): Promise<string[]> {
  const found: string[] = [];
  for (const [table, column, key] of DOCUMENTS) {
    const rows = await db.rows(
      v.object({ key: v.string() }),
      `SELECT DISTINCT ${key} AS key FROM ${table}
       WHERE shop = $shop AND ${column} IS NOT NULL AND NOT ${db.dialect.isJson(column)} LIMIT 20`,
    );
    found.push(...rows.map((row) => `${table} ${row.key}: its ${column} cannot be read.`));
  }
  return found;
}

/** The signed jobs whose events have no longer the seal they were signed with. */
async function brokenSeals(db: Database): Promise<string[]> {
  const sealed = await db.rows(
    v.object({ id: v.string(), seal: v.string() }),
    'SELECT id, seal FROM jobs WHERE shop = $shop AND seal IS NOT NULL',
  );
  const found: string[] = [];
  for (const { id, seal } of sealed) {
    if (sealOf(await standingOf(db, id)) !== seal)
      found.push(`The signed job ${id} has lost its seal.`);
  }
  return found;
}
