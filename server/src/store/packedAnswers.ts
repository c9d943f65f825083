import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import * as v from 'valibot';
import type { Database } from './sql/database';

const packed = promisify(gzip);
/** Of zlib's levels: from here on an answer gets little smaller for much more time. */
const LEVEL = 3;

/** So many are kept, the oldest go first: of a machine they are some tens of kilobytes. */
const MOST = 2000;

const kept = new WeakMap<Database, Map<string, Promise<Buffer>>>();

function answersOf(db: Database): Map<string, Promise<Buffer>> {
  const known = kept.get(db);
  if (known) return known;
  const answers = new Map<string, Promise<Buffer>>();
  kept.set(db, answers);
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
  const answers = answersOf(db);
  const known = answers.get(key);
  if (known) return known;
  const made = make().then((text) => packed(text, { level: LEVEL }));
  answers.set(key, made);
  made.catch(() => answers.delete(key));
  const [oldest] = answers.keys();
  if (answers.size > MOST && oldest !== undefined) answers.delete(oldest);
  return made;
}

/** What was packed under these keys is no longer so; without any, nothing is. */
export function unpack(db: Database, ...keys: readonly string[]): void {
  forgetOf(answersOf(db), keys);
  db.others.tell(UNPACK, keys);
}

/** What other processes are told, which have packed the same. */
const UNPACK = 'unpack';

function forgetOf(answers: Map<string, Promise<Buffer>>, keys: readonly string[]): void {
  if (keys.length === 0) answers.clear();
  for (const key of keys) answers.delete(key);
}
