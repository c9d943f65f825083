import * as v from 'valibot';
import { dateFrom, MOST_HOURS } from '../bounds';
import { daysBetween } from '../calendar';
import { quantile } from '../statistics';

/** What the meter showed on a day; `replaced` where it is the first of another meter, or of one reset. */
export type HoursReading = { date: string; hours: number; replaced?: boolean | undefined };
/**
 * From `date` on, engine hours are what the meter shows plus `offset`; `first` is what the new
 * meter showed first, by which its readings of that day are told from the old one's.
 */
export type MeterChange = { date: string; offset: number; first?: number | undefined };

/** Engine hours as typed or sent. */
export const HoursSchema = v.pipe(
  v.number('Hours are a number, such as 6612.'),
  v.finite('Hours are a number, such as 6612.'),
  v.minValue(0, 'Hours are not negative.'),
  v.maxValue(MOST_HOURS, 'Hours are below 1 000 000.'),
);

/** A calendar day as 2026-05-02, or an instant that begins with one: no engine here is older. */
export const DateSchema = dateFrom(1900, 2100);

/**
 * The engine's hours behind a reading: the offset of the meter that showed it added. On the day a
 * meter was fitted the figure tells whether it is the new meter's or the old one's.
 *
 * @example engineHours({ date: '2026-07-20', hours: 160 }, [{ date: '2026-05-01', offset: 6240 }])
 *   // 6400
 */
export function engineHours(reading: HoursReading, meter: readonly MeterChange[]): number {
  const fitted = meter
    .filter((change) => {
      const days = daysBetween(change.date, reading.date);
      return days > 0 || (days === 0 && isOnMeter(reading.hours, change));
    })
    .sort((a, b) => daysBetween(a.date, b.date));
  return reading.hours + (fitted[0]?.offset ?? 0);
}

/**
 * What the meter that was fitted last shows when the engine has run so many hours: a person reads
 * the meter, and knows no engine hours. 6,740 of them are 500 on a meter fitted at 6,240.
 */
export function meterShows(hours: number, meter: readonly MeterChange[]): number {
  const [last] = [...meter].sort((a, b) => daysBetween(a.date, b.date));
  return hours - (last?.offset ?? 0);
}

/**
 * Whether a figure read on the very day a meter was fitted can be that meter's: it has run no
 * more than a day since its first reading.
 */
export function isOnMeter(hours: number, { first }: MeterChange): boolean {
  return first === undefined || (hours >= first && hours <= first + HOURS_A_DAY);
}

const HOURS_A_DAY = 24;

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
