import { wallClock } from './shownAs';

const DAY = 86_400_000;

/** Midnight UTC of the day an ISO date or instant names, in ms. */
function dayOf(date: string): number {
  return Date.parse(`${date.slice(0, 10)}T00:00:00Z`);
}

/**
 * Whole days from one date to another; negative when `to` is earlier.
 *
 * @example daysBetween('2026-02-27', '2026-03-02') // 3
 */
export function daysBetween(from: string, to: string): number {
  return Math.round((dayOf(to) - dayOf(from)) / DAY);
}

/** The date so many days on, as 2026-05-02. */
export function addDays(date: string, days: number): string {
  return new Date(dayOf(date) + Math.round(days) * DAY).toISOString().slice(0, 10);
}

/** The date so many months on; the last day of the month where that day does not exist. */
export function addMonths(date: string, months: number): string {
  const day = new Date(dayOf(date));
  const first = new Date(Date.UTC(day.getUTCFullYear(), day.getUTCMonth() + months, 1));
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0));
  first.setUTCDate(Math.min(day.getUTCDate(), last.getUTCDate()));
  return first.toISOString().slice(0, 10);
}

/** The calendar day at an instant by the time zone in force, as 2026-05-02. */
export function localDay(instant: Date): string {
  const { year, month, day } = wallClock(instant);
  const pad = (part: number) => String(part).padStart(2, '0');
  return `${year}-${pad(month)}-${pad(day)}`;
}
