import * as v from 'valibot';

const instant = v.nullable(v.string());

/** When the shop was last backed up, as the shop's page tells it; null where nobody keeps any. */
export const BackupsSchema = v.nullable(
  v.object({
    last: instant,
    /** So old that somebody should look why. */
    late: v.boolean(),
    everyHours: v.number(),
    /** The last copy in the second folder, where there is one. */
    second: v.optional(instant),
  }),
);
export type Backups = v.InferOutput<typeof BackupsSchema>;
