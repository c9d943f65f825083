import * as v from 'valibot';

/** The paper that a record is drawn on. */
export const PaperSchema = v.object({
  paper: v.optional(v.picklist(['a4', 'letter'], 'The paper is a4 or letter.'), 'a4'),
});
