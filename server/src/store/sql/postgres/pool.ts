import { ignore } from '@longbar/core';
import type { PoolClient } from 'pg';
import pg from 'pg';
import { heedful } from './connection';
import type { Statement } from './statement';
import { statementOf } from './statement';

/** A count is a whole number here too: none of ours is beyond what one holds. */
const COUNTS = 20;

/**
 * Connections to one database that come and go as they are asked for, so many at most; given up once
 * they are silent for `patience` ms.
 */
export function poolOf(url: string, max: number, patience: number): pg.Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max,
    application_name: 'longbar',
    pipeline: true,
    ...heedful(patience),
    types: {
      getTypeParser: (oid: number, format?: 'text' | 'binary') =>
        oid === COUNTS ? Number : pg.types.getTypeParser(oid, format ?? 'text'),
    },
  });
  // One that is cut says so by itself, too: nobody else hears it, and the process would end.
  const noted = ignore('whoever waited for it is told; the next gets another connection');
  // The error itself carries the connection with all that it knows.
  const cut = ({ message }: Error) => noted(message);
  pool.on('error', cut);
  pool.on('connect', (client) => client.on('error', cut));
  return pool;
}

/** So many statements are kept prepared by each connection. */
const PREPARED = 500;
const statements = new Map<string, Statement>();

function prepared(sql: string): Statement {
  const known = statements.get(sql);
  if (known) return known;
  // What is asked beyond those is made up as it goes, and prepared by nobody.
  if (statements.size === PREPARED) return statementOf(sql, '');
  const made = statementOf(sql, `s${statements.size + 1}`);
  statements.set(sql, made);
  return made;
}

/** All rows of a statement of the store; `$1` is bound, and `$shop` where it stands in it. */
export async function ask(
  by: pg.Pool | PoolClient,
  sql: string,
  bind: readonly unknown[],
  shop?: number,
): Promise<unknown[]> {
  const { name, text, asks } = prepared(sql);
  const values = asks.map((bound) => (bound === 'shop' ? shop : bind[Number(bound) - 1]));
  const { rows } = await by.query<object>({ ...(name && { name }), text, values });
  return rows;
}
