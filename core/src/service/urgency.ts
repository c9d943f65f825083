import { daysBetween } from '../calendar';
import type { NextDue } from './nextDue';
import { isOverdue } from './pressing';

/** How pressing a check is. */
export type Urgency = 'overdue' | 'soon' | 'later' | 'unknown';
/** From when on a check is soon: so many hours or days before it is due. */
export type Soon = { hours: number; days: number };
export const USUAL_SOON: Soon = { hours: 50, days: 30 };

/** How pressing a check is on `today`, by the shop's own word for soon. */
export function urgencyOf(due: NextDue | null, today: string, soon: Soon = USUAL_SOON): Urgency {
  if (!due) return 'unknown';
  if (isOverdue(due, today)) return 'overdue';
  const near = due.date !== null && daysBetween(today, due.date.from) <= soon.days;
  const few = due.by !== 'months' && due.hoursLeft !== null && due.hoursLeft <= soon.hours;
  if (near || few) return 'soon';
  return due.date || due.hoursLeft !== null ? 'later' : 'unknown';
}
