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
  private readonly databases = new WeakMap<object, Memory<Value>>();

  /** What is remembered under this key, or else read; undefined is read again each time. */
  async of<Found extends Value | undefined>(
    db: Database,
    key: string,
    read: () => Promise<Found>,
  ): Promise<Value | Found> {
    const memory = this.memoryOf(db);
    const known = memory.values.get(key);
    if (known) return known;
    const { changes } = memory;
    const found = await read();
    // What was changed while it was read may be of before.
    if (found && db.whole.changes() === changes) memory.values.set(key, found);
    return found;
  }

  private memoryOf({ whole }: Database): Memory<Value> {
    const changes = whole.changes();
    const known = this.databases.get(whole);
    if (known?.changes === changes) return known;
    const memory = { changes, values: new LRUCache<string, Value>({ max: MOST, ttl: LASTS }) };
    this.databases.set(whole, memory);
    return memory;
  }
}

/** What was read since so many changes were known. */
type Memory<Value extends object> = { changes: number; values: LRUCache<string, Value> };
