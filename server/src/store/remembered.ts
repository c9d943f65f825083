import { LRUCache } from 'lru-cache';
import type { Database } from './sql/database';

/** Asked for anew after, ms: what another program writes into the database, nobody tells. */
const LASTS = 1000;
const MOST = 10_000;

/**
 * What nearly every request asks for before its own question, as whose phone it is. It is remembered
 * until something that all jobs share is written in this process, or another tells that it was, and
 * never for longer than a second. A phone that is let go holds for no later request here, and elsewhere
 * for none once that was heard.
 */
export class Remembered<Value extends object> {
  private readonly databases = new WeakMap<object, LRUCache<string, Known<Value>>>();

  /** What is remembered under this key, or else read; undefined is read again each time. */
  async of<Found extends Value | undefined>(
    db: Database,
    key: string,
    read: () => Promise<Found>,
  ): Promise<Value | Found> {
    const memory = this.memoryOf(db);
    const changes = db.whole.changes();
    const known = memory.get(key);
    if (known?.changes === changes) return known.value;
    const found = await read();
    // What was changed while it was read may be of before.
    if (found && db.whole.changes() === changes) memory.set(key, { value: found, changes });
    return found;
  }

  /** One for a database, whatever changes there: its places are all made when it is. */
  private memoryOf({ whole }: Database): LRUCache<string, Known<Value>> {
    const known = this.databases.get(whole);
    if (known) return known;
    const memory = new LRUCache<string, Known<Value>>({ max: MOST, ttl: LASTS });
    this.databases.set(whole, memory);
    return memory;
  }
}

/** What was read when so many changes were known. */
type Known<Value extends object> = { value: Value; changes: number };
