import { itemAt } from '@longbar/core';
import type { EngineSheet } from '@longbar/core';
import { adjustersOf, measureOf, SeededRandom } from '@longbar/core';

/** How far a gap had come by a check, and what it was left at, µm by adjuster. */
export type Worn = { found: Record<string, number>; left: Record<string, number> };

/** What else happened to one adjuster before a check, beside wear: µm added, by check. */
export type Mishap = { check: number; adjuster: string; adds: number };

export type Wear = {
  /** µm per 1,000 h, by kind. */
  rates: Partial<Record<string, number>>;
  /** Adjusters that wear at a rate of their own. */
  own?: Record<string, number>;
  mishaps?: readonly Mishap[];
};

/** How much one adjuster's rate differs from its kind's, and one reading from the truth. */
const SPREAD = 0.2;
const SCATTER = 7;
const SET_WITHIN = 5;
/** What lasts to the next check by so much and no less is left as it was found, µm. */
const SPARE = 26;

/**
 * The gaps of an engine over its checks at these hours, worn, read and set again where they
 * had left their limits. Made up, and the same for the same seed.
 */
export function wornOver(
  sheet: EngineSheet,
  hours: readonly number[],
  { rates, own = {}, mishaps = [] }: Wear,
  seed: number,
): Worn[] {
  const chance = new SeededRandom(seed);
  const bell = () => chance.next() + chance.next() + chance.next() - 1.5;
  const checks = hours.map((): Worn => ({ found: {}, left: {} }));
  for (const { id, kind, entry } of adjustersOf(sheet)) {
    if (!entry.spec) continue;
    const { low, target, high } = entry.spec;
    const lash = measureOf(entry) === 'lash';
    const rate = own[id] ?? (rates[kind] ?? 0) * (1 + SPREAD * bell());
    let gap = target + SET_WITHIN * bell();
    hours.forEach((at, check) => {
      const since = check === 0 ? 0 : at - itemAt(hours, check - 1);
      const mishap = mishaps.find((each) => each.check === check && each.adjuster === id);
      const scatter = lash ? SCATTER * bell() : 0;
      gap += (rate * since) / 1000 + scatter + (mishap?.adds ?? 0);
      const worn = itemAt(checks, check);
      worn.found[id] = Math.round(gap);
      // What would not last to the next check is set as well.
      const lasts = Math.abs(rate * since) / 1000 + SPARE;
      const inside = !lash || (gap >= low + lasts && gap <= high - lasts);
      if (!inside || gap < low || gap > high) gap = target + SET_WITHIN * bell();
      worn.left[id] = Math.round(gap);
    });
  }
  return checks;
}
