import { itemAt } from '../itemAt';
import type { NextDue } from './nextDue';

/** Whether a check is overdue on `today`: its hours are up, or its last day is past. */
export function isOverdue(due: NextDue, today: string): boolean {
  return (
    (due.hoursLeft ?? 1) <= 0 || (due.by === 'months' && due.date !== null && due.date.to < today)
  );
}

/**
 * The more pressing first: overdue ones, then by the earliest day they may fall due, then by
 * hours left; what has no interval comes last.
 */
export function comparePressing(
  a: NextDue | null | undefined,
  b: NextDue | null | undefined,
  today: string,
): number {
  const [rankA, rankB] = [rank(a, today), rank(b, today)];
  for (let i = 0; i < rankA.length; i++) {
    if (rankA[i] !== rankB[i]) return itemAt(rankA, i) < itemAt(rankB, i) ? -1 : 1;
  }
  return 0;
}

function rank(due: NextDue | null | undefined, today: string): number[] {
  if (!due) return [2, 0, 0];
  const day = due.date ? Date.parse(due.date.from) : Infinity;
  return [isOverdue(due, today) ? 0 : 1, day, due.hoursLeft ?? Infinity];
}
