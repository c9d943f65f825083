/**
 * A value that is known to be there.
 *
 * @param value - what was looked up
 * @returns the same, which is not undefined
 * @throws RangeError where it is: whoever looked it up was wrong that it is there
 */
export function present<Value>(value: Value | undefined): Value {
  if (value === undefined) throw new RangeError('What must be there is not.');
  return value;
}
