import * as v from 'valibot';
import { daysBetween } from '../calendar';
import { quantile } from '../statistics';

/** What the meter showed on a day. */
export type HoursReading = { date: string; hours: number };
/** From `date` on, engine hours are what the meter shows plus `offset`. */
export type MeterChange = { date: string; offset: number };

/** Engine hours as typed or sent. */
export const HoursSchema = v.pipe(
  v.number('Hours are a number, such as 6612.'),
  v.finite('Hours are a number, such as 6612.'),
  v.minValue(0, 'Hours are not negative.'),
  v.maxValue(1_000_000, 'Hours are below 1 000 000.'),
);

/** A calendar day as 2026-05-02, or an instant that begins with one. */
export const DateSchema = v.pipe(
  v.string('A date is written 2026-05-02.'),
  v.regex(/^\d{4}-\d{2}-\d{2}(T|$)/, 'A date is written 2026-05-02.'),
  v.check((date) => Number.isFinite(Date.parse(date)), 'There is no such date.'),
);

/**
 * The engine's hours behind a reading: the offset of the meter fitted on that day added.
 *
 * @example engineHours({ date: '2026-07-20', hours: 160 }, [{ date: '2026-05-01', offset: 6240 }])
 *   // 6400
 */
export function engineHours(reading: HoursReading, meter: readonly MeterChange[]): number {
  const fitted = meter
    .filter(({ date }) => daysBetween(date, reading.date) >= 0)
    .sort((a, b) => daysBetween(b.date, a.date));
  return reading.hours + (fitted[0]?.offset ?? 0);
}

/** Use in engine hours a day, with the spread of the slopes it is the median of. */
export type Use = { perDay: number; slow: number; fast: number };

const FEWEST_READINGS = 3;
const LOOKS_BACK_DAYS = 365;

/**
 * Use per day: the median slope over all pairs of the last year's readings (Theil–Sen), and
 * the 10 and 90 % points of those slopes. Undefined with too few readings or no use.
 */
export function useOf(readings: readonly HoursReading[], today: string): Use | undefined {
  const recent = readings.filter(({ date }) => {
    const age = daysBetween(date, today);
    return age >= 0 && age <= LOOKS_BACK_DAYS;
  });
  if (recent.length < FEWEST_READINGS) return undefined;
  const slopes: number[] = [];
  recent.forEach((a, i) => {
    for (const b of recent.slice(i + 1)) {
      const days = daysBetween(a.date, b.date);
      if (days !== 0) slopes.push((b.hours - a.hours) / days);
    }
  });
  slopes.sort((a, b) => a - b);
  const perDay = quantile(slopes, 0.5);
  if (!(perDay > 0)) return undefined;
  return { perDay, slow: quantile(slopes, 0.1), fast: quantile(slopes, 0.9) };
}
