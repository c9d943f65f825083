import { addDays, dayOf, daysBetween } from '../calendar';
import type { NextDue } from '../service/nextDue';
import { isOverdue } from '../service/pressing';

/** So many weeks are planned. */
export const PLANNED_WEEKS = 12;

/** The Monday of the week that a day lies in, as 2026-05-04. */
export function mondayOf(day: string): string {
  const weekday = new Date(`${dayOf(day)}T00:00:00Z`).getUTCDay();
  return addDays(day, -((weekday + 6) % 7));
}

/**
 * The Mondays of the weeks that are planned, this week's first.
 *
 * @example weeksFrom('2026-05-06')[1] // '2026-05-11'
 */
export function weeksFrom(today: string): string[] {
  const first = mondayOf(today);
  return Array.from({ length: PLANNED_WEEKS }, (_, i) => addDays(first, 7 * i));
}

/** The weeks between which a check falls due, counted from this one; the last may lie beyond them. */
export type WeekSpan = { from: number; to: number };

/** When a check falls due, in weeks from now; null where no date can be said. Overdue is now. */
export function dueSpan(due: NextDue | null, today: string): WeekSpan | null {
  if (!due) return null;
  if (isOverdue(due, today)) return { from: 0, to: 0 };
  if (!due.date) return null;
  const first = mondayOf(today);
  const weekOf = (day: string) => Math.max(0, Math.floor(daysBetween(first, day) / 7));
  return { from: weekOf(due.date.from), to: weekOf(due.date.to) };
}
