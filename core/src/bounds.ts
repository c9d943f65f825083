import * as v from 'valibot';

/*
 * Every field has its bounds, generous for any engine: what is beyond them is a slip or an attack,
 * and would be carried into every sum that is made of it.
 */

/** A number between bounds; the message says what would be right. */
export const numberFrom = (from: number, to: number, message: string) =>
  v.pipe(
    v.number(message),
    v.finite(message),
    v.minValue(from, message),
    v.maxValue(to, `${message} It is at most ${to}.`),
  );

/** A whole number between bounds. */
export const wholeFrom = (from: number, to: number, message: string) =>
  v.pipe(
    v.number(message),
    v.integer(message),
    v.minValue(from, message),
    v.maxValue(to, `${message} It is at most ${to}.`),
  );

/** More than nothing, up to a bound. */
export const positive = (to: number, message: string) => numberFrom(0.001, to, message);

/** Text of at most so many characters; it may be empty. */
export const textUpTo = (most: number, message = 'Write a few words.') =>
  v.pipe(v.string(message), v.maxLength(most, `At most ${most} characters.`));

/** Words that must be there, of at most so many characters. */
export const wordsUpTo = (most: number, message = 'Write a few words.') =>
  v.pipe(
    v.string(message),
    v.trim(),
    v.nonEmpty(message),
    v.maxLength(most, `At most ${most} characters.`),
  );

/** A list of at most so many. */
export const listUpTo = <Item extends v.GenericSchema>(
  item: Item,
  most: number,
  message?: string,
) =>
  v.pipe(
    v.array(item, message ?? 'This is a list.'),
    v.maxLength(most, `At most ${most} of them.`),
  );

/** Degrees of the crank: two cycles either way are more than anything on a page. */
export const degrees = (message: string) => numberFrom(-1440, 1440, message);

/** A torque in N·m; the largest nut of any engine takes less. */
export const LARGEST_TORQUE = 20_000;
/** A length in µm or a preload in mN·m. */
export const LARGEST_LENGTH = 1_000_000;
/** Revisions of one sheet. */
export const MOST_REVISIONS = 100_000;
/** Hours of an engine. */
export const MOST_HOURS = 1_000_000;

const A_DATE = 'A date is written 2026-05-02.';
const AN_INSTANT = 'An instant is written 2026-05-02T08:12:00.000Z.';

/** A calendar day as 2026-05-02, or an instant that begins with one, in these years. */
export const dateFrom = (first: number, last: number) =>
  v.pipe(
    v.string(A_DATE),
    v.maxLength(40, A_DATE),
    v.regex(/^\d{4}-\d{2}-\d{2}(T|$)/, A_DATE),
    v.check(isDay, 'There is no such date.'),
    v.check(isOfYears(first, last), `The year is from ${first} to ${last}.`),
  );

/** An instant in UTC or with its offset, in these years. */
export const instantFrom = (first: number, last: number) =>
  v.pipe(
    v.string(AN_INSTANT),
    v.maxLength(40, AN_INSTANT),
    v.isoTimestamp(AN_INSTANT),
    v.check(isDay, 'There is no such date.'),
    v.check(isOfYears(first, last), `The year is from ${first} to ${last}.`),
  );

/** Whether the calendar has the day that a date begins with: 2026-02-30 it has not. */
function isDay(date: string): boolean {
  const day = date.slice(0, 10);
  const midnight = Date.parse(`${day}T00:00:00Z`);
  const exists = Number.isFinite(midnight) && new Date(midnight).toISOString().startsWith(day);
  return exists && Number.isFinite(Date.parse(date));
}

/** Whether a date or an instant lies in these years. */
export function isOfYears(first: number, last: number): (date: string) => boolean {
  return (date) => Number(date.slice(0, 4)) >= first && Number(date.slice(0, 4)) <= last;
}
