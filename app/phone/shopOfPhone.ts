import { SHOP_HEADER } from '@longbar/core';
import * as v from 'valibot';

/**
 * A phone keeps each shop it has worked for in a database of its own: what was done in the demo
 * is never sent to the shop that stands at the same address later, nor shown in it.
 */

const KEY = 'longbar.shops';
const FIRST = 'longbar';

const KnownSchema = v.object({
  /** The shop that answered last. */
  present: v.nullable(v.string()),
  /** The database of each shop, by its id. */
  databases: v.record(v.string(), v.string()),
});
type Known = v.InferOutput<typeof KnownSchema>;

function known(): Known {
  try {
    const read = v.safeParse(KnownSchema, JSON.parse(localStorage.getItem(KEY) ?? ''));
    if (read.success) return read.output;
  } catch {
    // What cannot be read is as if no shop had ever answered.
  }
  return { present: null, databases: {} };
}

/** The name of the database that holds the present shop; drafts are kept under it, too. */
export function phoneDatabaseName(): string {
  const { present, databases } = known();
  return (present !== null && databases[present]) || FIRST;
}

/** The header by which the server tells that this phone means another shop; none before one answered. */
export function shopHeader(): Record<string, string> {
  const { present } = known();
  return present === null ? {} : { [SHOP_HEADER]: present };
}

/**
 * A shop has answered. Answers whether it is another than the present one: what the page holds
 * belongs to that, so it is to be loaded anew.
 */
export function shopAnswered(id: string): boolean {
  const { present, databases } = known();
  if (id === present) return false;
  const isFirst = present === null && !Object.values(databases).includes(FIRST);
  const name = databases[id] ?? (isFirst ? FIRST : `${FIRST}-${id}`);
  try {
    const next: Known = { present: id, databases: { ...databases, [id]: name } };
    localStorage.setItem(KEY, JSON.stringify(next));
  } catch {
    // A browser that keeps nothing has nothing to mix up.
    return false;
  }
  return !isFirst;
}
