import { itemAt } from './itemAt';

/** Numbers from a seed, the same on every machine (mulberry32). */
export class SeededRandom {
  constructor(private state: number) {}

  /** From 0 up to, not including, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  }

  /** A whole number from `low` to `high`. */
  whole(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1));
  }

  /** From a bell curve of mean 0 and deviation 1 (Box and Muller). */
  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next());
  }

  /** One of these; there must be one. */
  one<T>(items: ArrayLike<T>): T {
    return itemAt(items, this.whole(0, items.length - 1));
  }

  shuffled<T>(items: readonly T[]): T[] {
    const mixed = [...items];
    for (let i = mixed.length - 1; i > 0; i--) {
      const j = this.whole(0, i);
      [mixed[i], mixed[j]] = [itemAt(mixed, j), itemAt(mixed, i)];
    }
    return mixed;
  }
}
