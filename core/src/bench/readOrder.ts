import { commonOrders } from '../engine/cylinderForms';
import type { Result } from '../result';

/** A firing order as typed; or what is wrong with it, for a person. */
export type TypedOrder = Result<{ order: number[] }>;

/** No engine of this kind has more cylinders. */
const MOST_CYLINDERS = 24;

/**
 * A firing order as people type it: cylinders apart by anything that is no digit, or run together
 * where each is one digit.
 *
 * @example readOrder('1-5-3-6-2-4') // { order: [1, 5, 3, 6, 2, 4] }
 * @example readOrder('1342') // { order: [1, 3, 4, 2] }
 * @example readOrder('1 3 3') // { refused: 'implausible', says: 'Cylinder 3 fires twice in it.' }
 */
export function readOrder(text: string): TypedOrder {
  const words = text.match(/\d+/g) ?? [];
  if (words.length === 0)
    return { refused: 'empty', says: 'Type the cylinders as they fire, as 1-5-3-6-2-4.' };
  const [only = ''] = words;
  const apart = words.length > 1 || only.length === 1 ? words : [...only];
  const order = apart.map(Number);
  const says = mistakeIn(order);
  return says === undefined ? { order } : { refused: 'implausible', says };
}

function mistakeIn(order: readonly number[]): string | undefined {
  const count = order.length;
  if (count > MOST_CYLINDERS) return `That is more than ${MOST_CYLINDERS} cylinders.`;
  const twice = order.find((cylinder, i) => order.indexOf(cylinder) !== i);
  if (twice !== undefined) return `Cylinder ${twice} fires twice in it.`;
  const high = order.find((cylinder) => cylinder < 1 || cylinder > count);
  if (high === undefined) return undefined;
  const missing = Array.from({ length: count }, (_, i) => i + 1).find((n) => !order.includes(n));
  return `Cylinder ${high} is in it, and ${missing ?? 1} is not.`;
}

/**
 * The angles from each firing to the next as typed, in the order of firing; undefined where
 * nothing is typed, for then all are alike.
 *
 * @example readGaps('90 150 90 150 90 150', 6) // { gaps: [90, 150, 90, 150, 90, 150] }
 * @example readGaps('90 150', 6) // { refused: 'unreadable', says: 'That is 2 angles: there are 6, one after each firing.' }
 */
export function readGaps(text: string, cylinders: number): Result<{ gaps: number[] }> | undefined {
  if (text.trim() === '') return undefined;
  const gaps = (text.match(/\d+(?:[.,]\d+)?/g) ?? []).map((word) => Number(word.replace(',', '.')));
  if (gaps.length !== cylinders) {
    return {
      refused: 'unreadable',
      says: `That is ${gaps.length} angles: there are ${cylinders}, one after each firing.`,
    };
  }
  if (gaps.some((gap) => gap <= 0))
    return { refused: 'implausible', says: 'No two fire at once: each angle is above 0.' };
  const sum = gaps.reduce((all, gap) => all + gap, 0);
  if (Math.abs(sum - 720) > 0.5)
    return {
      refused: 'implausible',
      says: `They add up to ${Math.round(sum)}°: two turns are 720°.`,
    };
  return { gaps };
}

/** Orders often met, of in-line engines of one to eight cylinders, the fewest first. */
export function ordersOffered(): number[][] {
  return [2, 3, 4, 5, 6, 8].flatMap((count) => commonOrders(count, 'in-line'));
}
