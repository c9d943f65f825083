import type { JobBegun } from './setting';
import type { JobState } from './state';

/** What the meter showed at a job; `asSigned` is what was signed, where that was put right since. */
export type JobHours = NonNullable<JobState['hours']> & { asSigned?: number };

/**
 * What the meter showed at a job: as its journal has it, or as it was put right once the job was
 * signed. What is counted from a job, and what people are shown of it, goes by these. Undefined
 * where the meter was not read.
 *
 * @example hoursOf({ hoursRight: 6021 }, { hours: { hours: 6210, at: '2026-05-02T08:00:00Z' } })?.asSigned // 6210
 */
export function hoursOf(
  { hoursRight }: Pick<JobBegun, 'hoursRight'>,
  { hours }: Pick<JobState, 'hours'>,
): JobHours | undefined {
  if (!hours || hoursRight === undefined || hoursRight === hours.hours) return hours;
  return { ...hours, hours: hoursRight, asSigned: hours.hours };
}
