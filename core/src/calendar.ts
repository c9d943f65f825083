import { wallClock } from './shownAs';

const DAY = 86_400_000;

/**
 * The calendar day of a date as it is kept: a day is itself, and an instant fell on the day that the
 * clock on the wall showed then, by the time zone in force. By its first ten letters, what was done
 * in the morning far to the east would be of the day before.
 *
 * @example dayOf('2026-05-02') // '2026-05-02'
 */
export function dayOf(date: string): string {
  return date.length > A_DAY ? localDay(new Date(date)) : date;
}

/** So long is a day as it is kept: 2026-05-02. */
const A_DAY = 10;

/** Midnight UTC of the day of a date, in ms. */
function midnightOf(date: string): number {
  return Date.parse(`${dayOf(date)}T00:00:00Z`);
}

/**
 * Whole days from one date to another; negative when `to` is earlier.
 *
 * @example daysBetween('2026-02-27', '2026-03-02') // 3
 */
export function daysBetween(from: string, to: string): number {
  return Math.round((midnightOf(to) - midnightOf(from)) / DAY);
}

/** The date so many days on, as 2026-05-02. */
export function addDays(date: string, days: number): string {
  return new Date(midnightOf(date) + Math.round(days) * DAY).toISOString().slice(0, A_DAY);
}

/** The date so many months on; the last day of the month where that day does not exist. */
export function addMonths(date: string, months: number): string {
  const day = new Date(midnightOf(date));
  const first = new Date(Date.UTC(day.getUTCFullYear(), day.getUTCMonth() + months, 1));
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0));
  first.setUTCDate(Math.min(day.getUTCDate(), last.getUTCDate()));
  return first.toISOString().slice(0, A_DAY);
}

/** The calendar day at an instant by the time zone in force, as 2026-05-02. */
export function localDay(instant: Date): string {
  const { year, month, day } = wallClock(instant);
  const pad = (part: number) => String(part).padStart(2, '0');
  return `${year}-${pad(month)}-${pad(day)}`;
}
