/**
 * The item at a place that is known to hold one.
 *
 * @param items - a list of whatever, or of figures
 * @param place - from 0 up to its length
 * @returns the item
 * @throws RangeError where there is none: whoever counted the places has counted wrong
 * @example itemAt([400, 450], 1) // 450
 */
export function itemAt<Item>(items: ArrayLike<Item>, place: number): Item {
  const item = items[place];
  if (item === undefined) throw new RangeError(`There is no item ${place} of ${items.length}.`);
  return item;
}
