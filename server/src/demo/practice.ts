import type { Exercise, Level } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Database } from '../store/sql/database';
import { addRound } from '../store/yard/practice';

type Round = { days: number; who: string; exercise: Exercise; level: Level; score: number };

/** What the people of the demo practised of late, so many days ago. */
const ROUNDS: readonly Round[] = [
  { days: 2, who: 'Tam', exercise: 'set', level: 2, score: 83 },
  { days: 2, who: 'Tam', exercise: 'set', level: 1, score: 100 },
  { days: 9, who: 'Tam', exercise: 'read', level: 2, score: 90 },
  { days: 9, who: 'Tam', exercise: 'whole', level: 1, score: 75 },
  { days: 30, who: 'Ina', exercise: 'where', level: 3, score: 92 },
  { days: 31, who: 'Ina', exercise: 'fault', level: 3, score: 100 },
];

/** Writes down what the people of the demo practised. */
export async function keepPractice(
  db: Database,
  now: Date,
  transaction: Transaction,
): Promise<void> {
  for (const { days, ...round } of ROUNDS) {
    const at = new Date(now.getTime() - days * 86_400_000).toISOString();
    await addRound(db, { ...round, id: randomUUID(), at }, transaction);
  }
}
