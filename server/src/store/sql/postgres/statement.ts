/** A statement as PostgreSQL takes it, and what is bound in it, in the order of its numbers. */
export type Statement = { name: string; text: string; asks: readonly string[] };

/** Texts and names in quotes, names in mixed case, and what is bound. */
const PARTS = /'(?:[^']|'')*'|"[^"]*"|\b[a-z]+[A-Z]\w*\b|\$(\d+|shop)\b/g;

/**
 * A statement of the store for PostgreSQL, which reads names without quotes as lower case: names in
 * mixed case get theirs. What is bound is numbered as it comes up, and the shop says what it is.
 *
 * @example
 * statementOf('SELECT seenAt FROM phones WHERE shop = $shop AND id = $2', 's1').text;
 * // => 'SELECT "seenAt" FROM phones WHERE shop = CAST($1 AS INTEGER) AND id = $2'
 */
export function statementOf(sql: string, name: string): Statement {
  const asks: string[] = [];
  const text = quoted(sql, (bound) => {
    if (!asks.includes(bound)) asks.push(bound);
    const place = `$${asks.indexOf(bound) + 1}`;
    return bound === 'shop' ? `CAST(${place} AS INTEGER)` : place;
  });
  return { name, text, asks };
}

/** Names in mixed case in quotes. */
export function quoted(sql: string, place = (bound: string) => `$${bound}`): string {
  return sql.replace(PARTS, (part: string, bound: string | undefined) => {
    if (bound !== undefined) return place(bound);
    return /^['"]/.test(part) ? part : `"${part}"`;
  });
}
