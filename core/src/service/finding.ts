import * as v from 'valibot';

/** What the last check of an engine tells, to be looked at before anything is adjusted. */
export const FindingSchema = v.object({
  finding: v.picklist(['drift-apart', 'both-tight', 'all-loose', 'swap', 'locknut']),
  /** The adjusters it is about. */
  ids: v.array(v.string()),
  /** What is seen, in a sentence. */
  says: v.string(),
  /** What to look at first. */
  look: v.string(),
});
export type Finding = v.InferOutput<typeof FindingSchema>;
