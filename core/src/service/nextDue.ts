import { adjusterName } from '../engine/adjusterEntry';
import { addDays, addMonths, daysBetween } from '../calendar';
import { formatHours } from '../units';
import type { EngineSheet } from '../engine/sheet';
import type { HoursReading, MeterChange, Use } from './hours';
import { engineHours, meterShows, useOf } from './hours';

export type ServiceHistory = {
  service: EngineSheet['service'];
  meter: readonly MeterChange[];
  /** The last check, with what the meter showed; null before the first. */
  last: HoursReading | null;
  /** The day of the last check, where that is not the day of the reading. */
  lastOn?: string | undefined;
  /** The meter was not read at the last check: `last` is what it showed last before. */
  notRead?: true | undefined;
  breakInDone: boolean;
  /** The day it went into service: months count from there until the first check. */
  inServiceSince?: string | undefined;
  /** What the meter showed that day: hours count from there until the first check; 0 if absent. */
  hoursThen?: number | undefined;
  /** Hours a year as somebody estimates them: they serve until readings tell better. */
  hoursAYear?: number | undefined;
  /** Where drift asks for a look: which adjuster may be out then, and on how many checks it rests. */
  drift?: { adjuster: string; atHours: number; checks: number } | undefined;
  /** There are too few checks to tell its drift: the interval stands alone, and that is said. */
  tooFewChecks?: true;
};

export type NextDue = {
  by: 'break-in' | 'hours' | 'months' | 'drift';
  /** Engine hours at which it is due; null where only months count. */
  atHours: number | null;
  /** What the meter that is fitted shows then; an answer of an earlier version tells it not. */
  onMeter?: number | null | undefined;
  /** Hours left to that; negative when overdue. */
  hoursLeft: number | null;
  /** The days between which it falls due; null where that cannot honestly be said. */
  date: { from: string; to: string } | null;
  why: string;
};

/** A use so slow that it adds nothing makes a date that means nothing, days. */
const FARTHEST_DAYS = 3650;

/**
 * When the next check is due: by hours (the break-in's before the first check, else the
 * interval's), by drift where an adjuster may have left its limits before that, or by months from
 * the last check or the day in service, whichever comes first in time. The date by hours comes from use over the last year (Theil–Sen), its range from the
 * spread of that use, or from an estimate; without either there is none, and the date by months
 * stands, for that is known. Undefined where the sheet gives no interval. All hours answered
 * are engine hours but `onMeter`, which is what a person finds on the meter then.
 *
 * @example nextDue({ service: { everyMonths: 12 }, meter: [], last: null, breakInDone: true, inServiceSince: '2026-01-31' }, [], '2026-03-01').date
 *   // { from: '2027-01-31', to: '2027-01-31' }
 */
export function nextDue(
  history: ServiceHistory,
  readings: readonly HoursReading[],
  today: string,
): NextDue | undefined {
  const { service, meter, last, lastOn = last?.date, inServiceSince, hoursAYear } = history;
  const known = [...readings, ...(last ? [last] : [])]
    .map((reading) => ({ date: reading.date, hours: engineHours(reading, meter) }))
    .sort((a, b) => daysBetween(b.date, a.date) || a.hours - b.hours);
  const latest = known[known.length - 1];
  const use = useOf(known, today) ?? estimated(hoursAYear);
  const limit = limitOf(history);
  const hours = limit && byHours(limit.atHours, latest, use);
  const atHours = hours?.atHours ?? null;
  const onMeter = atHours === null ? null : meterShows(atHours, meter);
  const breakIn = limit?.by === 'break-in';
  const counted = lastOn ?? inServiceSince;
  const months = service?.everyMonths;
  const month = months && counted ? addMonths(counted, months) : undefined;
  if (month !== undefined && (!hours || monthsComeFirst({ ...hours, breakIn }, month, today))) {
    return {
      by: 'months',
      ...{ atHours, onMeter },
      hoursLeft: hours?.hoursLeft ?? null,
      date: { from: month, to: month },
      why: `${months} months after ${lastOn ? 'the last check' : 'it went into service'}.`,
    };
  }
  const every = service?.everyHours;
  // Of an engine whose meter nobody ever read, the hours of its last check are not known.
  if (!limit && every) return { ...UNKNOWN, why: `Every ${formatHours(every)} h. ${NEVER_READ}` };
  if (!hours || !limit) return undefined;
  return { by: limit.by, ...hours, onMeter, why: `${limit.why} ${hours.why}` };
}

const UNKNOWN = { by: 'hours', atHours: null, onMeter: null, hoursLeft: null, date: null } as const;
const NEVER_READ = 'The meter was read neither at the last check nor before: nobody knows when.';

type Limit = { by: 'break-in' | 'hours' | 'drift'; atHours: number; why: string };

/** The engine hours that end it: of the break-in, or of the interval or the drift that ends first. */
function limitOf({
  service,
  meter,
  last,
  notRead,
  breakInDone,
  hoursThen = 0,
  drift,
  tooFewChecks,
}: ServiceHistory): Limit | undefined {
  const { breakInHours = 0, everyHours: every } = service ?? {};
  if (!breakInDone && breakInHours > 0) {
    const why = `Break-in check at ${formatHours(breakInHours)} h.`;
    return { by: 'break-in', atHours: hoursThen + breakInHours, why };
  }
  const isUnknown = notRead && !last;
  const from = last ? engineHours(last, meter) : hoursThen;
  const atHours = every && !isUnknown ? from + every : undefined;
  if (drift && (!atHours || drift.atHours < atHours)) return { by: 'drift', ...byDrift(drift) };
  if (!atHours) return undefined;
  const alone = tooFewChecks ? ' Too few checks to tell its drift.' : '';
  const unread = notRead ? ` ${COUNTED_BEFORE}` : '';
  return { by: 'hours', atHours, why: `Every ${formatHours(every ?? 0)} h.${unread}${alone}` };
}

const COUNTED_BEFORE =
  'The meter was not read at the last check: counted from the reading before it.';

function byDrift({ adjuster, atHours, checks }: NonNullable<ServiceHistory['drift']>) {
  const why = `By its drift over ${checks} checks: ${adjusterName(adjuster)} may have left its limits by then.`;
  return { atHours, why };
}

type Used = Use & { estimate?: true };

/** The use that somebody estimates, the same from day to day. */
function estimated(hoursAYear: number | undefined): Used | undefined {
  if (hoursAYear === undefined || !(hoursAYear > 0)) return undefined;
  const perDay = hoursAYear / 365;
  return { perDay, slow: perDay, fast: perDay, estimate: true };
}

type ByHours = Pick<NextDue, 'date' | 'why'> & { atHours: number; hoursLeft: number };

function byHours(
  atHours: number,
  latest: HoursReading | undefined,
  use: Used | undefined,
): ByHours {
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
    why: `${use.estimate ? 'Estimated at' : 'Used'} about ${formatHours(Math.round(use.perDay * 365))} h a year.`,
  };
}

/**
 * Whether the months' limit is met before the hours' one. Hours that are over come before any
 * day, and a day that has come before hours that are only reckoned. Where nobody knows how many
 * hours it runs, the day that is known stands; a break-in, which is a matter of few hours, gives
 * way only once that day has come.
 */
function monthsComeFirst(
  hours: ByHours & { breakIn: boolean },
  month: string,
  today: string,
): boolean {
  if (hours.hoursLeft <= 0) return false;
  if (month <= today) return true;
  if (!hours.date) return !hours.breakIn;
  const middle = addDays(hours.date.from, daysBetween(hours.date.from, hours.date.to) / 2);
  return month < middle;
}

/**
 * At what the meter shows it is due, for a person; nothing where only months count. An answer of
 * an earlier version tells the engine's hours alone.
 *
 * @example dueAtWords({ atHours: 6740, onMeter: 500 }) // 'Due at 500 h on the meter.'
 */
export function dueAtWords({
  atHours,
  onMeter = atHours,
}: Pick<NextDue, 'atHours' | 'onMeter'>): string {
  return onMeter === null ? '' : `Due at ${formatHours(onMeter)} h on the meter.`;
}
