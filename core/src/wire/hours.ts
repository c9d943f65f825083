import * as v from 'valibot';
import { DateSchema, HoursSchema } from '../service/hours';

/** A reading of the hour meter sent on its own. */
export const HoursPostSchema = v.object(
  {
    date: DateSchema,
    hours: HoursSchema,
    /** The meter was replaced or reset since the reading before. */
    replaced: v.optional(v.boolean('Replaced is true or false.')),
    /** Looked at again: it is unusual, and so. */
    sure: v.optional(v.boolean('Sure is true or false.')),
  },
  'An hours reading has date and hours.',
);
export type HoursPost = v.InferOutput<typeof HoursPostSchema>;
