import { dayOf } from './calendar';
import { NEAR_ENOUGH } from './gauging/blades';
import { type Units, wallClock } from './shownAs';

/** µm in a thou (0.001 in). */
export const MICROMETRES_PER_THOU = 25.4;

const millimetres = new Intl.NumberFormat('en', {
  minimumFractionDigits: 2,
  maximumFractionDigits: 3,
});
const thousandths = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/**
 * µm as millimetres without the unit: 580 is "0.58".
 *
 * @example formatMillimetres(580) // '0.58'
 */
export function formatMillimetres(length: number): string {
  return millimetres.format(length / 1000);
}

/**
 * µm as thou without the unit; whole where a whole thou is as near as a blade: 580 is "23".
 *
 * @example formatThou(580) // '23'
 */
export function formatThou(length: number): string {
  const whole = Math.round(length / MICROMETRES_PER_THOU);
  const near = Math.abs(fromThou(whole) - length) <= NEAR_ENOUGH;
  return thousandths.format(near ? whole : length / MICROMETRES_PER_THOU);
}

/** A unit that lengths are written in, on blades and on paper. */
export type LengthUnit = Units['length'];

const ALONE: Record<LengthUnit, (length: number) => string> = {
  mm: formatMillimetres,
  thou: formatThou,
};

/** The unit that a length is told in as well, where it is told in two. */
export const OTHER_LENGTH_UNIT: Record<LengthUnit, LengthUnit> = { mm: 'thou', thou: 'mm' };

/**
 * µm in a unit that is not written behind them.
 *
 * @example formatLengthAlone(330, 'thou') // '13'
 */
export function formatLengthAlone(length: number, unit: LengthUnit): string {
  return ALONE[unit](length);
}

/**
 * µm in a unit that is written behind them.
 *
 * @example formatLength(330) // '0.33 mm'
 */
export function formatLength(length: number, unit: LengthUnit = 'mm'): string {
  return `${formatLengthAlone(length, unit)} ${unit}`;
}

/**
 * Thou to whole µm.
 *
 * @example fromThou(23) // 584
 */
export function fromThou(thou: number): number {
  return Math.round(thou * MICROMETRES_PER_THOU);
}

const hoursFormat = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });
const instantFormat = new Intl.DateTimeFormat('en-GB', {
  dateStyle: 'medium',
  timeStyle: 'short',
  timeZone: 'UTC',
});
const dayFormat = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});

export function formatHours(hours: number): string {
  return hoursFormat.format(hours);
}

/**
 * Hours that nobody read but a sum gave: from a hundred on in tens.
 *
 * @example formatReckonedHours(1702.13) // '1,700'
 */
export function formatReckonedHours(hours: number): string {
  return formatHours(hours < 100 ? Math.round(hours) : Math.round(hours / 10) * 10);
}

/** An instant as the clock on the wall showed it here, by the time zone that is in force now. */
export function formatInstant(at: string): string {
  const { year, month, day, hour, minute } = wallClock(new Date(at));
  return instantFormat.format(Date.UTC(year, month - 1, day, hour, minute));
}

/** Two calendar days as one range: "7–12 Dec 2026". */
export function formatDays(from: string, to: string): string {
  return dayFormat.formatRange(midnight(from), midnight(to));
}

/** A calendar day; of an instant, the day that the clock on the wall showed here. */
export function formatDay(date: string): string {
  return dayFormat.format(midnight(date));
}

function midnight(date: string): Date {
  return new Date(`${dayOf(date)}T00:00:00Z`);
}
