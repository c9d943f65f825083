import type { SeededRandom } from '@longbar/core';

const ODD_VALUES: unknown[] = [
  null,
  -1,
  1e308,
  0.1,
  '',
  '\u0000',
  'x'.repeat(5000),
  [],
  {},
  [[]],
  true,
  { $gt: '' },
  '2026-02-30',
  '9999-12-31T00:00:00Z',
  'e'.repeat(64),
];

/** A body with one thing in it put wrong, somewhere. */
export function spoiled(value: unknown, chance: SeededRandom): unknown {
  if (chance.next() < 0.15 || typeof value !== 'object' || value === null) {
    return chance.one(ODD_VALUES);
  }
  if (Array.isArray(value)) {
    const at = Math.floor(chance.next() * value.length);
    return value.map((each: unknown, i) => (i === at ? spoiled(each, chance) : each));
  }
  const keys = Object.keys(value);
  const key =
    keys.length === 0 || chance.next() < 0.1
      ? chance.one(['type', '__proto__', 'x'])
      : chance.one(keys);
  return { ...value, [key]: spoiled((value as Record<string, unknown>)[key], chance) };
}
