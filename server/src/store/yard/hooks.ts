import * as v from 'valibot';
import { randomBytes, randomUUID } from 'node:crypto';
import type { Hook, HookPost } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError } from '../../requestError';
import type { Database } from '../sql/database';

/** A program with its secret, for whoever tells it. */
export type HookRow = v.InferOutput<typeof HookRowSchema>;
const HookRowSchema = v.object({ id: v.string(), address: v.string(), secret: v.string() });

/** The programs that are told. */
export function hookRows(db: Database): Promise<HookRow[]> {
  return db.rows(
    HookRowSchema,
    'SELECT id, address, secret FROM hooks WHERE shop = $shop ORDER BY address, id',
  );
}

const HookLineSchema = v.object({
  id: v.string(),
  address: v.string(),
  triedAt: v.nullable(v.string()),
  problem: v.nullable(v.string()),
  nextAt: v.nullable(v.string()),
  told: v.number(),
  waiting: v.number(),
  givenUp: v.number(),
});

/** The programs, and how telling them goes; a secret is not told. */
export async function listHooks(db: Database): Promise<Hook[]> {
  const rows = await db.rows(
    HookLineSchema,
    `SELECT hooks.id, address, triedAt, problem, min(nextAt) AS nextAt,
       count(CASE WHEN body = '' THEN 1 END) AS told,
       count(nextAt) AS waiting,
       count(CASE WHEN body <> '' AND nextAt IS NULL THEN 1 END) AS givenUp
     FROM hooks LEFT JOIN hook_messages ON hook_messages.shop = hooks.shop AND hook = hooks.id
     WHERE hooks.shop = $shop
     GROUP BY hooks.id, address, triedAt, problem ORDER BY address, hooks.id`,
  );
  return rows.map(({ triedAt, problem, ...hook }) => ({
    ...hook,
    last: triedAt === null ? null : { at: triedAt, problem },
  }));
}

/** As the standard has it: whoever checks a signature takes what stands behind the mark. */
const newSecret = () => `whsec_${randomBytes(24).toString('base64')}`;

/** Adds a program, which is told what happens from here on. Answers its id and its secret. */
export async function addHook(
  db: Database,
  { address }: HookPost,
): Promise<{ id: string; secret: string }> {
  const [id, secret] = [randomUUID(), newSecret()];
  await db.write((transaction) =>
    db.run(
      'INSERT INTO hooks (shop, id, address, secret) VALUES ($shop, $1, $2, $3)',
      [id, address, secret],
      transaction,
    ),
  );
  return { id, secret };
}

/** It is told at another address, and what waits goes there at once. Throws RequestError 404. */
export async function moveHook(db: Database, id: string, { address }: HookPost): Promise<void> {
  await change(db, id, async (transaction) => {
    await db.run(
      `UPDATE hooks SET address = $1, triedAt = NULL, problem = NULL
       WHERE shop = $shop AND id = $2`,
      [address, id],
      transaction,
    );
  });
}

/** It is told with another secret from here on. Throws RequestError 404. */
export async function renewSecret(db: Database, id: string): Promise<string> {
  const secret = newSecret();
  await change(db, id, (transaction) =>
    db.run(
      'UPDATE hooks SET secret = $1 WHERE shop = $shop AND id = $2',
      [secret, id],
      transaction,
    ),
  );
  return secret;
}

/** It is told no more. Throws RequestError 404. */
export async function endHook(db: Database, id: string): Promise<void> {
  await change(db, id, async (transaction) => {
    for (const table of ['hook_messages', 'hook_signed']) {
      await db.run(`DELETE FROM ${table} WHERE shop = $shop AND hook = $1`, [id], transaction);
    }
    await db.run('DELETE FROM hooks WHERE shop = $shop AND id = $1', [id], transaction);
  });
}

/** All that waits or was given up is due at `now` again. Throws RequestError 404. */
export async function sendAgain(db: Database, id: string, now: string): Promise<void> {
  await change(db, id, (transaction) =>
    db.run(
      `UPDATE hook_messages SET nextAt = $1, tries = 0
       WHERE shop = $shop AND hook = $2 AND body <> ''`,
      [now, id],
      transaction,
    ),
  );
}

function change(
  db: Database,
  id: string,
  how: (transaction: Transaction) => Promise<unknown>,
): Promise<void> {
  return db.write(async (transaction) => {
    const sql = 'SELECT 1 FROM hooks WHERE shop = $shop AND id = $1';
    if (!(await db.some(sql, [id], transaction)))
      throw new RequestError(404, 'There is no such program.');
    await how(transaction);
  });
}
