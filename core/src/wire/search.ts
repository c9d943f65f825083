import * as v from 'valibot';

/** What is looked for: a few letters at least. */
export const SearchSchema = v.object({
  q: v.pipe(
    v.string('Say what to look for.'),
    v.trim(),
    v.minLength(2, 'Type at least two letters.'),
    v.maxLength(80, 'At most 80 letters.'),
  ),
});

/** Where it was found: a machine, or words in one of its jobs. */
export const FoundSchema = v.array(
  v.object({
    kind: v.picklist(['machine', 'words']),
    machine: v.string(),
    machineName: v.string(),
    /** The job the words stand in. */
    job: v.optional(v.string()),
    at: v.optional(v.string()),
    says: v.string(),
  }),
);
export type Found = v.InferOutput<typeof FoundSchema>[number];
