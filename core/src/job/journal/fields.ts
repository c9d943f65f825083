import * as v from 'valibot';
import { instantFrom, textUpTo, wholeFrom, wordsUpTo } from '../../bounds';

/** A UUID: of a job, an event, a machine, a phone. */
export const UuidSchema = v.pipe(
  v.string('An id is a UUID.'),
  v.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, 'An id is a UUID.'),
);

/** An instant as the journal writes it; those of earlier versions had no milliseconds. */
export const instant = instantFrom(1990, 2100);

/** A note; it may be empty. */
export const note = textUpTo(2000);
/** A few words that must be there. */
export const words = wordsUpTo(2000);
/** A person’s name. */
export const person = wordsUpTo(80, 'Give a name.');
/** A count from 0. */
export const count = wholeFrom(0, 1_000_000, 'Count from 0.');
