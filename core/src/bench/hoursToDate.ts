import type { HoursReading } from '../service/hours';
import { nextDue } from '../service/nextDue';

export type HoursToDate = {
  /** What the meter shows now. */
  now: number;
  /** What it is to show. */
  then: number;
  /** Hours a year as somebody estimates them; readings of before tell better. */
  hoursAYear?: number | undefined;
  /** What the meter showed before, at least two besides today's within a year. */
  readings?: readonly HoursReading[];
};

/**
 * The days between which a meter will show so many hours, by the reckoning that says when a check
 * is due; null where that cannot honestly be said, undefined where the hours are past.
 *
 * @example hoursToDate({ now: 6000, then: 6500, hoursAYear: 1000 }, '2026-03-01')?.date?.from // '2026-08-31'
 */
export function hoursToDate(
  { now, then, hoursAYear, readings = [] }: HoursToDate,
  today: string,
): { date: { from: string; to: string } | null; why: string } | undefined {
  if (!(then > now)) return undefined;
  const history = {
    service: { everyHours: then - now },
    meter: [],
    last: { date: today, hours: now },
    breakInDone: true,
    hoursAYear,
  };
  const due = nextDue(history, readings, today);
  return due && { date: due.date, why: due.why };
}
