import * as v from 'valibot';

/** What stands behind the `?` of an address, and what it is where nothing is said. */

const yesOrNo = (name: string) => v.optional(v.picklist(['0', '1'], `${name} is 1 or 0.`), '0');

/** The paper that a record is drawn on. */
export const PaperSchema = v.object({
  paper: v.optional(v.picklist(['a4', 'letter'], 'The paper is a4 or letter.'), 'a4'),
});

/** `1` for what is out of the yard or the lists. */
export const RetiredSchema = v.object({ retired: yesOrNo('Retired') });

/** The sheets of a file, one `id` each; all where none is named. */
export const SheetIdsSchema = v.object({
  id: v.optional(v.union([v.string(), v.array(v.string())], 'Name sheets by their ids.'), []),
});

/** `1` to look at an archive and keep nothing. */
export const PreviewSchema = v.object({ preview: yesOrNo('Preview') });

/** The serial of the last event that is known. */
export const AfterSchema = v.object({
  after: v.optional(
    v.pipe(
      v.string('after is a whole number.'),
      v.regex(/^\d{1,15}$/, 'after is a whole number.'),
      v.transform(Number),
    ),
    '0',
  ),
});
