import * as v from 'valibot';
import { instantFrom, isOfYears, textUpTo, wholeFrom, wordsUpTo } from '../../bounds';

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
