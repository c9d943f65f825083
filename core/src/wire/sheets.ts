import * as v from 'valibot';
import { MOST_REVISIONS, wholeFrom } from '../bounds';
import { UuidSchema } from '../job/journal/fields';
import { SheetSchema } from '../engine/sheet';

const sheetLine = {
  id: v.string(),
  revision: v.number(),
  publishedAt: v.string(),
  /** Out of the lists since then: no machine goes by it. */
  retiredAt: v.optional(v.nullable(v.string())),
};

/** An engine sheet in the list: its newest revision and the machines it serves. */
export const SheetLinesSchema = v.array(
  v.object({
    ...sheetLine,
    name: v.string(),
    /** Its head, bank by bank, as `headLetters` tells it. */
    head: v.optional(v.array(v.string())),
    machines: v.array(v.string()),
  }),
);
export type SheetLine = v.InferOutput<typeof SheetLinesSchema>[number];

/** One revision of a sheet. */
export const SheetDetailSchema = v.object({ ...sheetLine, document: SheetSchema });
export type SheetDetail = v.InferOutput<typeof SheetDetailSchema>;

/** The revisions of one sheet, newest first. */
export const SheetRevisionsSchema = v.array(
  v.object({ revision: v.number(), publishedAt: v.string() }),
);
export type SheetRevision = v.InferOutput<typeof SheetRevisionsSchema>[number];

/** Takes a sheet out of the lists, or back into them. */
export const SheetPatchSchema = v.object(
  { retired: v.boolean('Retired is true or false.') },
  'A change of a sheet says whether it is retired.',
);

/** A file of sheets, looked at or imported; with `leaveOut` without those that have mistakes. */
export const SheetsImportSchema = v.object(
  {
    file: v.unknown(),
    take: v.optional(v.boolean('Take is true or false.'), false),
    leaveOut: v.optional(v.boolean('LeaveOut is true or false.'), false),
  },
  'An import has a file.',
);

/** An import as it is sent. */
export type SheetsImport = v.InferInput<typeof SheetsImportSchema>;

/** What an import makes of each sheet of its file; `revision` is the one it becomes. */
export const SheetsReportSchema = v.object({
  sheets: v.array(
    v.object({
      name: v.string(),
      is: v.picklist(['new', 'newer', 'same', 'older', 'mistaken']),
      revision: v.optional(v.number()),
      issues: v.array(v.object({ path: v.string(), message: v.string() })),
    }),
  ),
  taken: v.boolean(),
});
export type SheetsReport = v.InferOutput<typeof SheetsReportSchema>;

/** Publishes a document: the first revision of a new sheet, or the next one of a known. */
export const PublishSchema = v.object(
  {
    id: UuidSchema,
    document: v.unknown(),
    /** Puts back a revision that was published before and is lost here. */
    revision: v.optional(wholeFrom(1, MOST_REVISIONS, 'The revision is a whole number from 1.')),
  },
  'Publishing takes id and document.',
);
