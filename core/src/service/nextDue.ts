import { addDays, addMonths, daysBetween } from '../calendar';
import { formatHours } from '../units';
import type { EngineSheet } from '../engine/sheet';
import type { HoursReading, MeterChange, Use } from './hours';
import { engineHours, useOf } from './hours';

export type ServiceHistory = {
  service: EngineSheet['service'];
  meter: readonly MeterChange[];
  /** The last check, with what the meter showed; null before the first. */
  last: HoursReading | null;
  breakInDone: boolean;
};

export type NextDue = {
  by: 'break-in' | 'hours' | 'months';
  /** Engine hours at which it is due; null where only months count. */
  atHours: number | null;
  /** Hours left to that; negative when overdue. */
  hoursLeft: number | null;
  /** The days between which it falls due; null where that cannot honestly be said. */
  date: { from: string; to: string } | null;
  why: string;
};

/** A use so slow that it adds nothing makes a date that means nothing, days. */
const FARTHEST_DAYS = 3650;

/**
 * When the next check is due: the break-in first, then hours or months, whichever comes
 * first. The date comes from use over the last year (Theil–Sen), its range from the spread
 * of that use; without enough readings there is none. Undefined where the sheet gives no
 * interval. All hours answered are engine hours, whatever the meter shows.
 */
export function nextDue(
  { service, meter, last, breakInDone }: ServiceHistory,
  readings: readonly HoursReading[],
  today: string,
): NextDue | undefined {
  const known = [...readings, ...(last ? [last] : [])]
    .map((reading) => ({ date: reading.date, hours: engineHours(reading, meter) }))
    .sort((a, b) => daysBetween(b.date, a.date) || a.hours - b.hours);
  const latest = known[known.length - 1];
  const use = useOf(known, today);
  if (!breakInDone && service?.breakInHours !== undefined) {
    const due = byHours(service.breakInHours, latest, use);
    return {
      by: 'break-in',
      ...due,
      why: `Break-in check at ${formatHours(service.breakInHours)} h. ${due.why}`,
    };
  }
  const lastHours = last ? engineHours(last, meter) : 0;
  const hours =
    service?.everyHours === undefined
      ? undefined
      : byHours(lastHours + service.everyHours, latest, use);
  const month =
    service?.everyMonths === undefined || !last
      ? undefined
      : addMonths(last.date, service.everyMonths);
  if (month !== undefined && (!hours || monthsComeFirst(hours, month, today))) {
    return {
      by: 'months',
      atHours: hours?.atHours ?? null,
      hoursLeft: hours?.hoursLeft ?? null,
      date: { from: month, to: month },
      why: `${service?.everyMonths} months after the last check.`,
    };
  }
  if (!hours) return undefined;
  return {
    by: 'hours',
    ...hours,
    why: `Every ${formatHours(service?.everyHours ?? 0)} h. ${hours.why}`,
  };
}

type ByHours = Pick<NextDue, 'date' | 'why'> & { atHours: number; hoursLeft: number };

function byHours(atHours: number, latest: HoursReading | undefined, use: Use | undefined): ByHours {
  const hoursLeft = atHours - (latest?.hours ?? 0);
  if (!latest || !use) {
    return { atHours, hoursLeft, date: null, why: 'Too few readings to say when.' };
  }
  const on = (perDay: number) =>
    addDays(latest.date, perDay > 0 ? Math.min(hoursLeft / perDay, FARTHEST_DAYS) : FARTHEST_DAYS);
  const [one, other] = [on(use.fast), on(use.slow)];
  const date = one <= other ? { from: one, to: other } : { from: other, to: one };
  return {
    atHours,
    hoursLeft,
    date,
    why: `Used about ${formatHours(Math.round(use.perDay * 365))} h a year.`,
  };
}

/** Whether the months' limit is met before the hours' one. */
function monthsComeFirst(hours: ByHours, month: string, today: string): boolean {
  if (hours.hoursLeft <= 0) return false;
  if (month <= today) return true;
  if (!hours.date) return false;
  const middle = addDays(hours.date.from, daysBetween(hours.date.from, hours.date.to) / 2);
  return month < middle;
}
