import { promisify } from 'node:util';
import { gzip, gzipSync } from 'node:zlib';
import { LRUCache } from 'lru-cache';
import * as v from 'valibot';
import type { Database } from './sql/database';
import { onceKept } from './sql/others';

/** Of zlib's levels: from here on an answer gets little smaller for much more time. */
const LEVEL = 3;
const inAThread = promisify(gzip);
/** Up to so many characters, packing takes less time than handing it to a thread and back. */
const SMALL = 32_768;

function packed(text: string): Buffer | Promise<Buffer> {
  return text.length <= SMALL
    ? gzipSync(text, { level: LEVEL })
    : inAThread(text, { level: LEVEL });
}

/**
 * All that a process keeps packed, of whatever shop, holds at most so many bytes: what nobody asked for
 * the longest goes first. A yard of 500 machines with ten years of checks is some twenty megabytes.
 */
const MOST = 256 * 1024 ** 2;
const kept = new LRUCache<string, Buffer>({
  maxSize: MOST,
  sizeCalculation: ({ length }, key) => length + key.length,
});

/** What is packed of one shop: where its answers are kept, and those that are being made. */
type OfShop = { prefix: string; making: Map<string, Promise<Buffer>> };
const shops = new WeakMap<Database, OfShop>();
let known = 0;

function answersOf(db: Database): OfShop {
  const before = shops.get(db);
  if (before) return before;
  const answers: OfShop = { prefix: `${++known} `, making: new Map() };
  shops.set(db, answers);
  const forget = (keys: readonly string[]) => forgetOf(answers, keys);
  db.others.hear(UNPACK, v.array(v.string()), forget, () => forget([]));
  return answers;
}

/** An answer packed by gzip: packing costs more than all else, so it is done once a change. */
export async function packedAnswer(
  db: Database,
  key: string,
  make: () => Promise<string>,
): Promise<Buffer> {
  const { prefix, making } = answersOf(db);
  const answer = kept.get(prefix + key) ?? making.get(key);
  if (answer) return answer;
  const made = make().then(packed);
  making.set(key, made);
  // What was forgotten while it was made may be of before: whoever asked has it, and nobody else.
  const isStillSo = () => making.get(key) === made && making.delete(key);
  try {
    const buffer = await made;
    if (isStillSo()) kept.set(prefix + key, buffer);
    return buffer;
  } catch (error) {
    isStillSo();
    throw error;
  }
}

/** Whether an answer is packed already, or about to be. */
export function isPacked(db: Database, key: string): boolean {
  const { prefix, making } = answersOf(db);
  return making.has(key) || kept.has(prefix + key);
}

/** Whether more is packed before anybody asks: half of the room is left to what is asked for. */
export const hasRoomAhead = () => kept.calculatedSize < MOST / 2;

/**
 * What was packed under these keys is no longer so; without any, nothing is. Within a transaction it is
 * forgotten once that is kept: whoever asked before would pack what was before, and keep it.
 */
export function unpack(db: Database, ...keys: readonly string[]): void {
  onceKept(() => forgetOf(answersOf(db), keys));
  db.others.tell(UNPACK, keys);
}

/** What other processes are told, which have packed the same. */
const UNPACK = 'unpack';

function forgetOf({ prefix, making }: OfShop, keys: readonly string[]): void {
  if (keys.length === 0) {
    making.clear();
    const own = [...kept.keys()].filter((key) => key.startsWith(prefix));
    for (const key of own) kept.delete(key);
  }
  for (const key of keys) {
    making.delete(key);
    kept.delete(prefix + key);
  }
}
