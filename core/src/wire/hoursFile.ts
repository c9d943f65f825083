import * as v from 'valibot';
import { textUpTo, wholeFrom } from '../bounds';
import { UuidSchema } from '../job/journal/fields';

const column = wholeFrom(0, 1000, 'A column is counted from 0.');

/** Which columns of a table of hours hold what. */
export const HoursColumnsSchema = v.object({
  /** The machine's name; null where the whole table is of one machine. */
  machine: v.nullable(column),
  date: column,
  hours: column,
  /** Whether 3/4/2026 is the third of April. */
  dayFirst: v.boolean('dayFirst is true or false.'),
});
export type HoursColumns = v.InferOutput<typeof HoursColumnsSchema>;

/** A table of hours as text, to be looked at or taken in. */
export const HoursFileSchema = v.object({
  text: textUpTo(32_000_000, 'Give the table as text.'),
  /** Null to have them guessed. */
  columns: v.nullable(HoursColumnsSchema),
  /** The one machine the whole table is of. */
  machine: v.nullable(UuidSchema),
  /** Take the lines without mistakes, though others have some. */
  leaveOut: v.boolean('leaveOut is true or false.'),
  take: v.boolean('take is true or false.'),
});
export type HoursFile = v.InferOutput<typeof HoursFileSchema>;

const lineIssue = v.object({ line: v.number(), path: v.string(), message: v.string() });

/** What a table of hours would add, or has added. */
export const HoursFoundSchema = v.object({
  header: v.array(v.string()),
  /** The first lines, to tell the columns by. */
  sample: v.array(v.array(v.string())),
  columns: HoursColumnsSchema,
  adds: v.array(
    v.object({
      machine: v.string(),
      name: v.string(),
      count: v.number(),
      /** The last reading that would be added. */
      last: v.object({ date: v.string(), hours: v.number() }),
    }),
  ),
  /** Lines that say what is known already, or what another line of the same day does. */
  known: v.number(),
  issues: v.array(lineIssue),
  taken: v.boolean(),
});
export type HoursFound = v.InferOutput<typeof HoursFoundSchema>;
