import { median, quantile } from '../statistics';

/** How long a check takes, minutes: of past ones, or as its sheet guesses. */
export type HowLong =
  | { by: 'past'; of: number; median: number; late: number }
  | { by: 'sheet'; median: number; late: number };

/** A guess is exceeded by as much as this in one of ten: half again. */
const GUESSED_LATE = 1.5;
/** Fewer tell nothing of how bad it may get: the longest stands for it. */
const TELLING = 5;

/**
 * How long a check of an engine takes: the median of past ones of its type and what nine of ten stay
 * under (the longest, where they are fewer than five); what its sheet guesses until there is one; null
 * where neither is known.
 *
 * @param past Minutes of work at past checks, pauses left out.
 * @param guess The sheet's guess, minutes.
 * @example howLong([60, 90, 70], undefined) // { by: 'past', of: 3, median: 70, late: 90 }
 */
export function howLong(past: readonly number[], guess: number | undefined): HowLong | null {
  if (past.length > 0) {
    const late =
      past.length < TELLING
        ? Math.max(...past)
        : quantile(
            [...past].sort((a, b) => a - b),
            0.9,
          );
    return { by: 'past', of: past.length, median: median(past), late };
  }
  return guess === undefined ? null : { by: 'sheet', median: guess, late: guess * GUESSED_LATE };
}
