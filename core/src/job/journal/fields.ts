import * as v from 'valibot';

/** A UUID: of a job, an event, a machine, a phone. */
export const UuidSchema = v.pipe(
  v.string('An id is a UUID.'),
  v.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, 'An id is a UUID.'),
);

/** An instant as the journal writes it. */
export const instant = v.pipe(
  v.string('An instant is written 2026-05-02T08:12:00Z.'),
  v.isoTimestamp('An instant is written 2026-05-02T08:12:00Z.'),
);

/** A note; it may be empty. */
export const note = v.pipe(
  v.string('Write a few words.'),
  v.maxLength(2000, 'At most 2000 characters.'),
);
/** A few words that must be there. */
export const words = v.pipe(note, v.trim(), v.nonEmpty('Write a few words.'));
/** A person’s name. */
export const person = v.pipe(
  v.string('Give a name.'),
  v.trim(),
  v.nonEmpty('Give a name.'),
  v.maxLength(80, 'A name has at most 80 characters.'),
);
/** A count from 0. */
export const count = v.pipe(
  v.number('Count from 0.'),
  v.integer('Count from 0.'),
  v.minValue(0, 'Count from 0.'),
);
