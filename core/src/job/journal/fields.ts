import * as v from 'valibot';
import { BlobTypeSchema, Sha256Schema } from '../../attachment';
import {
  instantFrom,
  isOfYears,
  LARGEST_LENGTH,
  listUpTo,
  numberFrom,
  textUpTo,
  wholeFrom,
  wordsUpTo,
} from '../../bounds';
import { ADJUSTER_ID } from '../../engine/kinds';

/** A UUID: of a job, an event, a machine, a phone. */
export const UuidSchema = v.pipe(
  v.string('An id is a UUID.'),
  v.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, 'An id is a UUID.'),
);

/** An instant as the journal writes it; those of earlier versions had no milliseconds. */
export const instant = instantFrom(0, 9999);

/** What a phone's clock tells: of events and heads that arrive, the year is within reason. */
const CLOCKED = ['at', 'since', 'stopped'] as const;

/**
 * Refuses what comes from a clock that is years off. What is kept already from such a clock is
 * still read: it is held to this where it arrives only.
 */
export const byARightClock = <T extends { at: string }>() =>
  v.rawCheck<T>(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const input: Record<string, unknown> = { ...dataset.value };
    for (const key of CLOCKED) {
      const value = input[key];
      if (typeof value !== 'string' || isOfYears(1990, 2100)(value)) continue;
      const message = 'The year is from 1990 to 2100.';
      addIssue({ message, path: [{ type: 'object', origin: 'value', input, key, value }] });
    }
  });

/** A note; it may be empty. */
export const note = textUpTo(2000);
/** A few words that must be there. */
export const words = wordsUpTo(2000);
/** A person’s name. */
export const person = wordsUpTo(80, 'Give a name.');
/** A count from 0. */
export const count = wholeFrom(0, 1_000_000, 'Count from 0.');

export const adjuster = v.pipe(
  v.string('Name the adjuster, for example exhaust.3.'),
  v.regex(ADJUSTER_ID, 'Name the adjuster, for example exhaust.3.'),
);
export const stopNumber = v.pipe(
  v.number('A stop is counted from 0.'),
  v.integer('A stop is counted from 0.'),
  v.maxValue(1000, 'A plan has at most 1000 stops.'),
  v.minValue(0, 'A stop is counted from 0.'),
);
export const angle = v.pipe(
  v.number('The crank angle is in degrees.'),
  v.minValue(0, 'The crank angle is from 0 up.'),
  v.maxValue(720, 'The crank angle is below 720.'),
);

export const minutes = numberFrom(0, 10_000_000, 'Give the minutes.');
export const shimSize = wholeFrom(1, LARGEST_LENGTH, 'A shim is a whole number of µm.');
export const aimed = wholeFrom(1, LARGEST_LENGTH, 'An aim is a whole number of µm.');
/**
 * The last events at this adjuster that the phone knew: several where two phones had worked there
 * without hearing of each other. Earlier versions named none.
 */
export const knew = v.optional(listUpTo(UuidSchema, 20));
/** The adjusters of one engine, or some of them. */
export const adjusters = listUpTo(adjuster, 250);

/** A photo or a sound clip, kept under the hash of its bytes. */
export const attachments = v.pipe(
  v.array(v.object({ sha256: Sha256Schema, type: BlobTypeSchema })),
  v.maxLength(20, 'At most 20 photos and clips.'),
);
