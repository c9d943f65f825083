import * as v from 'valibot';
import { numberFrom } from '../bounds';
import type { HoursReading } from './hours';
import { DateSchema, HoursSchema } from './hours';

/** What was known of a machine when it came into the yard. */
export const BaselineSchema = v.object({
  /** The last check before that, with what the meter showed. */
  last: v.nullable(v.object({ date: DateSchema, hours: HoursSchema })),
  breakInDone: v.boolean(),
  inServiceSince: v.optional(DateSchema),
  /** What the meter showed on that day. */
  hoursThen: v.optional(HoursSchema),
  /** Hours a year as somebody estimates them. */
  hoursAYear: v.optional(numberFrom(0, 8784, 'Hours a year are a number.')),
});
export type Baseline = v.InferOutput<typeof BaselineSchema>;

/**
 * What the meter showed on the day in service: the first of a machine's readings, where both are
 * known.
 *
 * @example firstReading({ last: null, breakInDone: false, inServiceSince: '2026-03-01', hoursThen: 4 })
 *   // [{ date: '2026-03-01', hours: 4 }]
 */
export function firstReading({ inServiceSince, hoursThen }: Baseline): HoursReading[] {
  if (inServiceSince === undefined || hoursThen === undefined) return [];
  return [{ date: inServiceSince, hours: hoursThen }];
}
