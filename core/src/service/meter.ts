import { dayOf } from '../calendar';
import type { HoursReading, MeterChange } from './hours';
import { engineHours, isOnMeter } from './hours';

/**
 * The changes of a machine's hour meter: those that somebody stated, and one for each reading
 * that was said to be the first of another meter. What that adds follows from the reading before
 * it, so a reading that is put right or taken back changes the meters fitted after it by itself.
 *
 * @example meterOf([], [{ date: '2026-04-01', hours: 100 }, { date: '2026-05-01', hours: 10, replaced: true }])
 *   // [{ date: '2026-05-01', offset: 90, first: 10 }]
 */
export function meterOf(
  stated: readonly MeterChange[],
  readings: readonly HoursReading[],
): MeterChange[] {
  const meter = [...stated];
  const fitted = readings
    .filter(({ replaced }) => replaced)
    .sort((a, b) => dayOf(a.date).localeCompare(dayOf(b.date)) || a.hours - b.hours);
  for (const reading of fitted) {
    const date = dayOf(reading.date);
    const change = { date, offset: 0, first: reading.hours };
    const ran = readings
      .filter((each) => each !== reading && isBefore(each, change))
      .map((each) => engineHours(each, meter));
    // Without a reading before it nobody knows what was run: the meter counts as it shows.
    if (ran.length > 0) meter.push({ ...change, offset: Math.max(...ran) - reading.hours });
  }
  return meter.sort((a, b) => a.date.localeCompare(b.date));
}

/** Whether a reading was taken before a meter was fitted, on an earlier day or the same. */
function isBefore(reading: HoursReading, change: MeterChange): boolean {
  const day = dayOf(reading.date);
  return day < change.date || (day === change.date && !isOnMeter(reading.hours, change));
}

/**
 * Readings in the order in which they were taken, earliest first: of one day by the engine's
 * hours, for a meter fitted that day shows less than the one before it did.
 */
export function inMeterOrder<Reading extends HoursReading>(
  readings: readonly Reading[],
  meter: readonly MeterChange[],
): Reading[] {
  return [...readings].sort(
    (a, b) =>
      dayOf(a.date).localeCompare(dayOf(b.date)) ||
      engineHours(a, meter) - engineHours(b, meter) ||
      Number(a.replaced === true) - Number(b.replaced === true),
  );
}
