import * as v from 'valibot';
import { randomUUID } from 'node:crypto';
import type { HookMessage } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';

/** A message that waits for a program. */
export type Waiting = v.InferOutput<typeof WaitingSchema>;
const WaitingSchema = v.object({ id: v.string(), body: v.string(), tries: v.number() });

/** What is about to be told: nothing is told twice of the same. `job` is the signed one it is of. */
export type ToTell = { about: string; message: HookMessage; job?: string };

/** A job was signed: every program is to be told, once what is read of it is worked out. */
export function signedToTell(db: Database, job: string, transaction: Transaction): Promise<void> {
  return db.run(
    `INSERT INTO hook_signed (shop, job, hook) SELECT shop, $1, id FROM hooks WHERE shop = $shop
     ON CONFLICT (shop, hook, job) DO NOTHING`,
    [job],
    transaction,
  );
}

/** The signed jobs that a program was not told of yet. */
export async function untoldJobs(db: Database, hook: string): Promise<string[]> {
  const rows = await db.rows(
    v.object({ job: v.string() }),
    'SELECT job FROM hook_signed WHERE shop = $shop AND hook = $1',
    [hook],
  );
  return rows.map(({ job }) => job);
}

/** Keeps what a program is to be told; what it was told of before stays as it is. */
export async function keepMessages(
  db: Database,
  hook: string,
  messages: readonly ToTell[],
  now: string,
  transaction: Transaction,
): Promise<void> {
  for (const { about, message, job } of messages) {
    await db.run(
      `INSERT INTO hook_messages (shop, id, hook, about, body, madeAt, nextAt)
       VALUES ($shop, $1, $2, $3, $4, $5, $5) ON CONFLICT (shop, hook, about) DO NOTHING`,
      [randomUUID(), hook, about, JSON.stringify(message), now],
      transaction,
    );
    if (job === undefined) continue;
    const told = 'DELETE FROM hook_signed WHERE shop = $shop AND hook = $1 AND job = $2';
    await db.run(told, [hook, job], transaction);
  }
}

/** Which of these a program was told of, or will be. */
export async function knownAbouts(
  db: Database,
  hook: string,
  abouts: readonly string[],
): Promise<ReadonlySet<string>> {
  const rows = await db.rows(
    v.object({ about: v.string() }),
    `SELECT about FROM hook_messages
     WHERE shop = $shop AND hook = $1 AND about ${db.dialect.inList('$2')}`,
    [hook, JSON.stringify(abouts)],
  );
  return new Set(rows.map(({ about }) => about));
}

/** The first that are due at `now`, in the order they were made. */
export function dueMessages(db: Database, hook: string, now: string): Promise<Waiting[]> {
  return db.rows(
    WaitingSchema,
    `SELECT id, body, tries FROM hook_messages WHERE shop = $shop AND hook = $1 AND nextAt <= $2
     ORDER BY madeAt, serial LIMIT 50`,
    [hook, now],
  );
}

/** How a try ended: taken, or when it is tried next; null where it is given up. */
export async function noteTry(
  db: Database,
  { hook, id }: { hook: string; id: string },
  ended: { at: string; problem: string | null; nextAt: string | null },
): Promise<void> {
  const { at, problem, nextAt } = ended;
  await db.write(async (transaction) => {
    await db.run(
      'UPDATE hooks SET triedAt = $1, problem = $2 WHERE shop = $shop AND id = $3',
      [at, problem, hook],
      transaction,
    );
    // Who took a message has it: only what it was about is kept, so that it is told once.
    const taken = problem === null ? ", body = ''" : '';
    await db.run(
      `UPDATE hook_messages SET tries = tries + 1, nextAt = $1${taken}
       WHERE shop = $shop AND id = $2`,
      [nextAt, id],
      transaction,
    );
  });
}
