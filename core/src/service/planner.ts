import { addDays, daysBetween } from '../calendar';
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

/** Machines worth opening in the same week, and the Monday of it. */
export type PlannedWeek<T> = { week: string; machines: T[] };

const WEEK = 7;
/** A check pulled forward by no more than this is worth a common week, days. */
const PULLED_FORWARD = 21;

/**
 * Groups machines into weeks of work: beginning with the most pressing, each week takes in
 * what would fall due within three weeks of it. Overdue ones stand in the present week; what
 * has no date is left out.
 */
export function planWeeks<T extends { due: NextDue | null }>(
  machines: readonly T[],
  today: string,
): PlannedWeek<T>[] {
  const dated = machines
    .flatMap((machine) => {
      const { due } = machine;
      if (!due) return [];
      const day = isOverdue(due, today) ? today : due.date?.from;
      return day === undefined ? [] : [{ machine, day: day < today ? today : day }];
    })
    .sort((a, b) => a.day.localeCompare(b.day));
  const weeks: PlannedWeek<T>[] = [];
  let until = '';
  for (const { machine, day } of dated) {
    const week = weeks[weeks.length - 1];
    if (week && day <= until) {
      week.machines.push(machine);
      continue;
    }
    weeks.push({ week: mondayOf(day), machines: [machine] });
    until = addDays(day, PULLED_FORWARD);
  }
  return weeks;
}

function mondayOf(day: string): string {
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay();
  return addDays(day, -((weekday + WEEK - 1) % WEEK));
}
