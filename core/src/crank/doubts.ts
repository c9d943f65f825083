import { itemAt } from '../itemAt';
import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import type { EngineSheet } from '../engine/sheet';

/** One more mistaken rocker than the best degrees need may still be true. */
const ONE_MORE = 1;
/** So many rockers of a cylinder are felt at once: its first intake and its first exhaust. */
const FELT_AT_ONCE = 2;

/** A rocker, and where it speaks against the crank: felt before a turn, and felt since. */
type RockerDoubt = { cylinder: number; past: Uint8Array; now: Uint8Array | undefined };

/** A rocker as it would be felt: it fits only where its `fits` say. */
export type Feeling = { id: string; fits: Uint8Array };

/**
 * Neighbouring degrees that nothing tells apart: a circle falls into far fewer of these than
 * it has degrees, and each is reckoned once, by its first.
 */
export type Stretch = { from: number; degrees: number };

/**
 * Which rockers speak against which of the stretches that are open, each by its place in that
 * list. A rocker counts once, however often it was felt; a whole cylinder may be left out, for
 * both its rockers may be mistaken together.
 */
export class Doubts {
  private readonly rockers = new Map<string, RockerDoubt>();
  /** How many rockers of a cylinder speak against each open degree. */
  private readonly byCylinder = new Map<number, Uint8Array>();
  private total: Uint8Array;

  constructor(
    readonly cycle: number,
    readonly open: readonly Stretch[],
  ) {
    this.total = new Uint8Array(open.length);
  }

  /** A rocker that fits only there; `now` where the crank was not turned since. */
  add({ id, cylinder }: Adjuster, fits: Uint8Array, now: boolean): void {
    const count = this.open.length;
    const own = this.byCylinder.get(cylinder) ?? new Uint8Array(count);
    this.byCylinder.set(cylinder, own);
    const rocker = this.rockers.get(id) ?? {
      cylinder,
      past: new Uint8Array(count),
      now: undefined,
    };
    this.rockers.set(id, rocker);
    const against = new Uint8Array(count);
    for (let i = 0; i < count; i++) {
      if (fits[itemAt(this.open, i).from] === 1) continue;
      against[i] = 1;
      if (rocker.past[i] === 1) continue;
      own[i] = (own[i] ?? 0) + 1;
      this.total[i] = (this.total[i] ?? 0) + 1;
      if (!now) rocker.past[i] = 1;
    }
    if (now) rocker.now = against;
  }

  /**
   * The same without the stretches that can be near the best in no case: whatever is felt next
   * of one cylinder, and with any other left out.
   */
  narrowed(): Doubts {
    const least = this.total.reduce((a, b) => Math.min(a, b));
    const mayLeave = this.mostOfTwoCylinders();
    const places = [...this.open.keys()].filter(
      (i) => (this.total[i] ?? 0) - (mayLeave[i] ?? 0) <= least + FELT_AT_ONCE + ONE_MORE,
    );
    const few = (counts: Uint8Array) => Uint8Array.from(places, (i) => counts[i] ?? 0);
    const narrow = new Doubts(
      this.cycle,
      places.map((i) => itemAt(this.open, i)),
    );
    narrow.total = few(this.total);
    for (const [cylinder, own] of this.byCylinder) narrow.byCylinder.set(cylinder, few(own));
    for (const [id, { cylinder, past, now }] of this.rockers) {
      narrow.rockers.set(id, { cylinder, past: few(past), now: now && few(now) });
    }
    return narrow;
  }

  /** By stretch, how many rockers of the two cylinders that speak most against it do so. */
  private mostOfTwoCylinders(): Uint8Array {
    const most = new Uint8Array(this.open.length);
    const second = new Uint8Array(this.open.length);
    for (const own of this.byCylinder.values()) {
      own.forEach((count, i) => {
        if (count > (most[i] ?? 0)) {
          second[i] = most[i] ?? 0;
          most[i] = count;
        } else if (count > (second[i] ?? 0)) second[i] = count;
      });
    }
    return most.map((count, i) => count + (second[i] ?? 0));
  }

  /** Whether a rocker was felt where the crank stands now. */
  feltNow(id: string): boolean {
    return this.rockers.get(id)?.now !== undefined;
  }

  /** The degrees that the fewest rockers speak against. */
  best(): number[] {
    const least = this.total.reduce((a, b) => Math.min(a, b));
    return this.degreesWhere((i) => this.total[i] === least);
  }

  /** The degrees near the best, with all that was felt or without one cylinder. */
  plausible(): number[] {
    const mask = new Uint8Array(this.open.length);
    markNear(this.total, mask);
    for (const own of this.byCylinder.values()) markNearWithout(this.total, own, mask);
    return this.degreesWhere((i) => mask[i] === 1);
  }

  private degreesWhere(holds: (place: number) => boolean): number[] {
    return this.open.flatMap(({ from, degrees }, i) =>
      holds(i) ? Array.from({ length: degrees }, (_, k) => from + k) : [],
    );
  }

  /** How many degrees the marked stretches have together. */
  private degreesIn(mask: Uint8Array): number {
    let sum = 0;
    for (let i = 0; i < mask.length; i++) {
      if (mask[i] === 1) sum += itemAt(this.open, i).degrees;
    }
    return sum;
  }

  /** The adjusters, in the sheet's order, that speak against every best degree. */
  odd(sheet: EngineSheet): string[] {
    const least = this.total.reduce((a, b) => Math.min(a, b));
    const againstAll = ({ past, now }: RockerDoubt) =>
      this.total.every((count, i) => count !== least || past[i] === 1 || now?.[i] === 1);
    return adjustersOf(sheet).flatMap(({ id }) => {
      const rocker = this.rockers.get(id);
      return rocker && againstAll(rocker) ? [id] : [];
    });
  }

  /** How many degrees are near the best with this cylinder left out. */
  countWithout(cylinder: number): number {
    const mask = new Uint8Array(this.open.length);
    const own = this.byCylinder.get(cylinder);
    if (own) markNearWithout(this.total, own, mask);
    else markNear(this.total, mask);
    return this.degreesIn(mask);
  }

  /**
   * How many degrees would be plausible if these rockers of one cylinder were felt now. What
   * was felt of them since the last turn is replaced, what was felt before it stays.
   */
  countWith(cylinder: number, felt: readonly Feeling[]): number {
    const count = this.open.length;
    const own = this.againstWith(cylinder, felt);
    const before = this.byCylinder.get(cylinder);
    const total = this.total.slice();
    for (let i = 0; i < count; i++) {
      total[i] = (total[i] ?? 0) - (before?.[i] ?? 0) + (own[i] ?? 0);
    }
    const mask = new Uint8Array(count);
    markNear(total, mask);
    markNearWithout(total, own, mask);
    for (const [other, counts] of this.byCylinder) {
      if (other !== cylinder) markNearWithout(total, counts, mask);
    }
    return this.degreesIn(mask);
  }

  /** How many rockers of the cylinder would speak against each degree. */
  private againstWith(cylinder: number, felt: readonly Feeling[]): Uint8Array {
    const own = new Uint8Array(this.open.length);
    const ids = new Set(felt.map(({ id }) => id));
    for (const [id, { cylinder: of, past, now }] of this.rockers) {
      if (of !== cylinder || ids.has(id)) continue;
      for (let i = 0; i < own.length; i++) {
        if (past[i] === 1 || now?.[i] === 1) own[i] = (own[i] ?? 0) + 1;
      }
    }
    for (const { id, fits } of felt) {
      const past = this.rockers.get(id)?.past;
      for (let i = 0; i < own.length; i++) {
        if (past?.[i] === 1 || fits[itemAt(this.open, i).from] === 0) own[i] = (own[i] ?? 0) + 1;
      }
    }
    return own;
  }
}

/** Marks the places with at most one more against them than the fewest. */
function markNear(total: Uint8Array, mask: Uint8Array): void {
  let least = 255;
  for (let i = 0; i < total.length; i++) {
    const count = total[i] ?? 0;
    if (count < least) least = count;
  }
  const most = least + ONE_MORE;
  for (let i = 0; i < total.length; i++) if ((total[i] ?? 0) <= most) mask[i] = 1;
}

/** The same with one cylinder left out. */
function markNearWithout(total: Uint8Array, without: Uint8Array, mask: Uint8Array): void {
  let least = 255;
  for (let i = 0; i < total.length; i++) {
    const count = (total[i] ?? 0) - (without[i] ?? 0);
    if (count < least) least = count;
  }
  const most = least + ONE_MORE;
  for (let i = 0; i < total.length; i++) {
    if ((total[i] ?? 0) - (without[i] ?? 0) <= most) mask[i] = 1;
  }
}
