/**
 * Sheets, plans and histories are never changed in place, so what is worked out of one of them is
 * worked out once. What is remembered goes with the object it was worked out of.
 */
export function rememberEach<K extends object, T>(make: (of: K) => T): (of: K) => T {
  const known = new WeakMap<K, { made: T }>();
  return (of) => {
    const before = known.get(of);
    if (before) return before.made;
    const made = make(of);
    known.set(of, { made });
    return made;
  };
}

/** The same for each of several things about one object, told apart by a key. */
export function rememberBy<K extends object, B, T>(
  make: (of: K, by: B) => T,
  keyOf: (by: B) => string | number,
): (of: K, by: B) => T {
  const knownOf = rememberEach((_: K) => new Map<string | number, { made: T }>());
  return (of, by) => {
    const known = knownOf(of);
    const key = keyOf(by);
    const before = known.get(key);
    if (before) return before.made;
    const made = make(of, by);
    known.set(key, { made });
    return made;
  };
}

/** The same for two objects together. */
export function rememberPair<K extends object, L extends object, T>(
  make: (one: K, other: L) => T,
): (one: K, other: L) => T {
  const knownOf = rememberEach((one: K) => rememberEach((other: L) => make(one, other)));
  return (one, other) => knownOf(one)(other);
}
