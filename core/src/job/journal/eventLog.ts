import { itemAt } from '../../itemAt';
import type { KnownEvent } from './events';

/**
 * Events in their order. One more makes a new log and leaves this one as it is, at the same cost
 * however long it is: both read the same array, each up to its own length.
 */
export class EventLog implements Iterable<KnownEvent> {
  readonly #shared: KnownEvent[];
  readonly length: number;

  private constructor(shared: KnownEvent[]) {
    this.#shared = shared;
    this.length = shared.length;
  }

  static readonly empty = new EventLog([]);

  /** This log and one more event. */
  with(event: KnownEvent): EventLog {
    // Where another log has gone on from here already, its events must not get between.
    const isLongest = this.#shared.length === this.length && this !== EventLog.empty;
    const shared = isLongest ? this.#shared : this.#shared.slice(0, this.length);
    shared.push(event);
    return new EventLog(shared);
  }

  /** The last event of all. */
  get last(): KnownEvent | undefined {
    return this.length === 0 ? undefined : this.#shared[this.length - 1];
  }

  /** The last event that holds. */
  findLast(holds: (event: KnownEvent) => boolean): KnownEvent | undefined {
    for (const event of this.backwards()) if (holds(event)) return event;
    return undefined;
  }

  /** From the last event back to the first. */
  *backwards(): Generator<KnownEvent> {
    for (let i = this.length - 1; i >= 0; i--) yield itemAt(this.#shared, i);
  }

  *[Symbol.iterator](): Iterator<KnownEvent> {
    for (let i = 0; i < this.length; i++) yield itemAt(this.#shared, i);
  }
}
