import type { JobContext } from '../wire/machines';
import type { HoursReading, MeterChange } from './hours';
import type { HoursDoubt } from './questionHours';
import { questionHours } from './questionHours';

/** A job carries so many of the last readings: they tell its use, and years of them are long. */
const CARRIED = 60;

/**
 * What a job is to know of its machine's hour meter as it begins.
 *
 * @param readings - all that count, earliest first
 */
export function meterForJob(
  readings: readonly HoursReading[],
  meter: readonly MeterChange[],
): NonNullable<JobContext['hourMeter']> {
  return { readings: readings.slice(-CARRIED), meter: [...meter] };
}

/**
 * What is doubtful about hours read in a job, by the same questions as on the machine's page;
 * undefined where nothing is. A job of an earlier version knows the last check's hours alone.
 */
export function doubtJobHours(
  { hourMeter, lastLeft }: Pick<JobContext, 'hourMeter' | 'lastLeft'>,
  reading: HoursReading,
): HoursDoubt | undefined {
  const { readings, meter } = hourMeter ?? {
    readings: lastLeft?.hours ? [lastLeft.hours] : [],
    meter: [],
  };
  return questionHours(reading, readings, meter);
}
