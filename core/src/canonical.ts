/**
 * The same value as text whatever the order of its keys: what is hashed or signed. Keys are in the
 * order of their UTF-16 code units, nothing stands between the parts, and what is undefined is left
 * out. It is JSON, and read as such.
 *
 * @example canonical({ b: 1, a: [true, undefined] }) // '{"a":[true,null],"b":1}'
 */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const entries = Object.entries(value)
    .filter(([, part]) => part !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, part]) => `${JSON.stringify(key)}:${canonical(part)}`).join(',')}}`;
}
