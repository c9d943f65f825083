import { median } from '../statistics';
import type { Reading } from './reading';
import { middleOf } from './reading';

/** Before and after locking the nut: a reading, or its middle in µm. */
export type LockPair = { before: Gap; after: Gap };
type Gap = number | Pick<Reading, 'go' | 'noGo'>;

/** So many pairs before a habit can be told from chance. */
const ENOUGH_PAIRS = 8;

/**
 * By how much locking closes the gap in one person's hands on one engine type, µm: the median
 * of before − after over at least eight pairs, to be left loose before locking. Null with
 * fewer. A pair with an open-ended reading has no middle and does not count.
 *
 * @example lockShift([]) // null
 */
export function lockShift(pairs: readonly LockPair[]): number | null {
  const shifts = pairs.flatMap(({ before, after }) => {
    const [from, to] = [middleOf(before), middleOf(after)];
    return from === undefined || to === undefined ? [] : [from - to];
  });
  return shifts.length < ENOUGH_PAIRS ? null : Math.round(median(shifts));
}
