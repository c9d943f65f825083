import type { PracticeLine, PracticeRound } from '@longbar/core';
import { PracticeSchema } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';

/** Keeps a round of practice; the same one again changes nothing. */
export async function keepRound(db: Database, round: PracticeRound): Promise<void> {
  await db.write((transaction) => addRound(db, round, transaction));
}

/** The same within what is written besides. */
export async function addRound(
  db: Database,
  { id, who, exercise, level, score, at }: PracticeRound,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    `INSERT INTO practice (shop, id, who, exercise, level, score, at)
     VALUES ($shop, $1, $2, $3, $4, $5, $6) ON CONFLICT (shop, id) DO NOTHING`,
    [id, who, exercise, level, score, at],
    transaction,
  );
}

/** How people did, by exercise and level, who practised last first; one person’s where named. */
export async function practiceOf(db: Database, who?: string): Promise<PracticeLine[]> {
  return db.rows(
    PracticeSchema.item,
    `SELECT who, exercise, level, MAX(score) AS best, COUNT(*) AS rounds, MAX(at) AS last
     FROM practice WHERE shop = $shop ${who === undefined ? '' : 'AND who = $1'}
     GROUP BY who, exercise, level ORDER BY last DESC, who, exercise, level`,
    who === undefined ? [] : [who],
  );
}
