import type { JobContext } from '../wire/machines';
import type { HoursReading, MeterChange } from './hours';
import { engineHours } from './hours';
import { meterOf } from './meter';
import type { HoursDoubt } from './questionHours';
import { questionHours } from './questionHours';

/** What the hour meter showed, earliest first, and its changes. */
type HourMeter = NonNullable<JobContext['hourMeter']>;

/** What a job knows of the hour meter of its machine. */
export type JobMeter = {
  hourMeter?: HourMeter | undefined;
  lastLeft?: { hours: HoursReading | null } | null | undefined;
};

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
): HourMeter {
  return { readings: readings.slice(-CARRIED), meter: [...meter] };
}

/**
 * What is doubtful about hours read in a job, by the same questions as on the machine's page;
 * undefined where nothing is. A job of an earlier version knows the last check's hours alone.
 */
export function doubtJobHours(known: JobMeter, reading: HoursReading): HoursDoubt | undefined {
  const { readings, meter } = meterKnown(known);
  return questionHours(reading, readings, meter);
}

/** Hours as a job's journal has them, as a reading of the meter. */
export function readAt({
  at,
  ...reading
}: Omit<HoursReading, 'date'> & { at: string }): HoursReading {
  return { ...reading, date: at };
}

function meterKnown({ hourMeter, lastLeft }: JobMeter): HourMeter {
  return hourMeter ?? { readings: lastLeft?.hours ? [lastLeft.hours] : [], meter: [] };
}

/**
 * How many hours the engine ran between an earlier reading and a job's own, whatever meters were
 * fitted since, also with the job; undefined where the figures cannot be of one engine.
 *
 * @example hoursSince({}, { date: '2026-05-01', hours: 90 }, { date: '2026-06-01', hours: 100 }) // 10
 */
export function hoursSince(
  known: JobMeter,
  earlier: HoursReading,
  own: HoursReading,
): number | undefined {
  const { readings, meter } = meterKnown(known);
  // Those that were fitted before are among the changes already.
  const before = [...readings, earlier].map(({ date, hours }) => ({ date, hours }));
  const meters = own.replaced ? meterOf(meter, [...before, own]) : meter;
  const ran = engineHours(own, meters) - engineHours(earlier, meters);
  // Read in whole hours it may be less than a service told that knows tenths.
  return ran <= -1 ? undefined : Math.max(0, ran);
}
