import { ignore, SHOP_HEADER } from '@longbar/core';
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
  /** Which life of each shop's database this phone has been told of. */
  generations: v.optional(v.record(v.string(), v.string()), {}),
});
type Known = v.InferOutput<typeof KnownSchema>;

function known(): Known {
  try {
    const read = v.safeParse(KnownSchema, JSON.parse(localStorage.getItem(KEY) ?? ''));
    if (read.success) return read.output;
  } catch {
    // What cannot be read is as if no shop had ever answered.
  }
  return { present: null, databases: {}, generations: {} };
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
  const { present, databases, generations } = known();
  if (id === present) return false;
  const isFirst = present === null && !Object.values(databases).includes(FIRST);
  const name = databases[id] ?? (isFirst ? FIRST : `${FIRST}-${id}`);
  try {
    keep({ present: id, databases: { ...databases, [id]: name }, generations });
  } catch {
    // A browser that keeps nothing has nothing to mix up.
    return false;
  }
  return !isFirst;
}

/**
 * The page begins anew, as the phone of a shop that stands here from now on, whether or not another
 * one had answered before: all that it shows is of what was there.
 */
export function beginAs(id: string): void {
  shopAnswered(id);
  globalThis.location.assign('/');
}

/** The shops this phone keeps besides the present one, with the name of each one's database. */
export function otherShops(): { id: string; database: string }[] {
  const { present, databases } = known();
  return Object.entries(databases)
    .filter(([id]) => id !== present)
    .map(([id, database]) => ({ id, database }));
}

/**
 * Whether this life of the shop's database is another than the one this phone worked with before:
 * a backup was restored, and the server may lack what it had acknowledged.
 */
export function isAnotherLife(id: string, generation: string): boolean {
  const before = known().generations[id];
  return before !== undefined && before !== generation;
}

/** From here on this life of the shop's database is the one this phone works with. */
export function noteLife(id: string, generation: string): void {
  const { generations, ...rest } = known();
  if (generations[id] === generation) return;
  try {
    keep({ ...rest, generations: { ...generations, [id]: generation } });
  } catch (error) {
    ignore('a browser that keeps nothing has nothing to offer')(error);
  }
}

function keep(next: Known): void {
  localStorage.setItem(KEY, JSON.stringify(next));
}
