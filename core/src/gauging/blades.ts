import { itemAt } from '../itemAt';
import { rememberEach } from '../remember';
import type { Reading, Trial } from './reading';
import type { SettingSpec } from './toSet';
import { toSet } from './toSet';

/** A blade in µm; a stepped one carries both sizes on one leaf. */
export type SteppedBlade = { go: number; noGo: number };
export type Blade = number | SteppedBlade;
export type BladeSet = {
  name: string;
  unit: 'mm' | 'inch';
  /** Forked: reads both adjusters of a pair at once. */
  forked?: boolean | undefined;
  blades: Blade[];
};

/** The plain blades of a set in order of thickness, µm. */
export function plainBlades(set: Pick<BladeSet, 'blades'>): number[] {
  const plain = set.blades.filter((blade): blade is number => typeof blade === 'number');
  return [...new Set(plain)].sort((a, b) => a - b);
}

/** What one plain blade or a stack of two makes, in order of thickness, µm. */
export const stackSizes = rememberEach((set: Pick<BladeSet, 'blades'>): readonly number[] => {
  const plain = plainBlades(set);
  const stacks = plain.flatMap((one, i) => plain.slice(i + 1).map((other) => one + other));
  return [...new Set([...plain, ...stacks])].sort((a, b) => a - b);
});

/** The stepped leaves of a set in order of thickness, µm. */
export function steppedBlades(set: BladeSet): SteppedBlade[] {
  const stepped = set.blades.filter((blade): blade is SteppedBlade => typeof blade !== 'number');
  return stepped.sort((a, b) => a.go - b.go);
}

/** The set without the blades that are worn or bent, by their size (the thin end of a leaf). */
export function withoutWorn(set: BladeSet, worn: readonly number[]): BladeSet {
  const blades = set.blades.filter(
    (blade) => !worn.includes(typeof blade === 'number' ? blade : blade.go),
  );
  return { ...set, blades };
}

/**
 * The blades tried after one more tap on `size`: not tried, enters, stops, not tried. A tap
 * that contradicts an earlier one (a thick blade entering where a thinner stopped) takes the
 * earlier one's place.
 *
 * @example tapBlade([{ size: 350, enters: false }], 300)
 *   // [{ size: 300, enters: true }, { size: 350, enters: false }]
 */
export function tapBlade(tried: readonly Trial[], size: number): Trial[] {
  const before = tried.find((trial) => trial.size === size);
  if (before && !before.enters) return tried.filter((trial) => trial.size !== size);
  return withTrial(tried, { size, enters: before === undefined });
}

/**
 * The blades tried after one more tap on a stepped leaf: not tried, only its thin end enters,
 * both enter, neither does, not tried.
 */
export function tapStepped(tried: readonly Trial[], leaf: SteppedBlade): Trial[] {
  const others = tried.filter(({ size }) => size !== leaf.go && size !== leaf.noGo);
  const next = NEXT_OF_LEAF[leafWord(tried, leaf)];
  if (next === 'not tried') return others;
  return withTrial(withTrial(others, { size: leaf.go, enters: next !== 'neither enters' }), {
    size: leaf.noGo,
    enters: next === 'both enter',
  });
}

const NEXT_OF_LEAF = {
  'not tried': 'thin end enters',
  'thin end enters': 'both enter',
  'both enter': 'neither enters',
  'neither enters': 'not tried',
} as const;

/** What is known of a stepped leaf from the blades tried. */
export function leafWord(tried: readonly Trial[], leaf: SteppedBlade): keyof typeof NEXT_OF_LEAF {
  const enters = (size: number) => tried.find((trial) => trial.size === size)?.enters;
  const [thin, thick] = [enters(leaf.go), enters(leaf.noGo)];
  if (thick) return 'both enter';
  if (thin && thick === false) return 'thin end enters';
  return thin === false ? 'neither enters' : 'not tried';
}

/**
 * What a blade of so many µm was found to do.
 *
 * @example bladeWord([{ size: 300, enters: true }], 300) // 'enters'
 */
export function bladeWord(
  tried: readonly Trial[],
  blade: number,
): 'not tried' | 'enters' | 'stops' {
  const trial = tried.find(({ size }) => size === blade);
  return trial === undefined ? 'not tried' : trial.enters ? 'enters' : 'stops';
}

function withTrial(tried: readonly Trial[], { size, enters }: Trial): Trial[] {
  const consistent = tried
    .filter((trial) => trial.size !== size)
    .filter((trial) =>
      enters ? trial.enters || trial.size > size : !trial.enters || trial.size < size,
    );
  return [...consistent, { size, enters }].sort((a, b) => a.size - b.size);
}

/**
 * What the blades tried say together, µm.
 *
 * @example readingFromTrials([{ size: 300, enters: true }, { size: 350, enters: false }])
 *   // { go: 300, noGo: 350, how: 'go-no-go' }
 */
export function readingFromTrials(tried: readonly Trial[]): Reading {
  const entered = tried.filter(({ enters }) => enters).map(({ size }) => size);
  const stopped = tried.filter(({ enters }) => !enters).map(({ size }) => size);
  return {
    go: Math.max(0, ...entered),
    noGo: stopped.length ? Math.min(...stopped) : null,
    how: 'go-no-go',
  };
}

/**
 * Drag on one blade: the blade, give or take half the step to its neighbours in the set.
 * At an end of the set the one neighbour serves for both sides.
 *
 * @example readingFromDrag([250, 300, 350], 300) // { go: 275, noGo: 325, how: 'drag' }
 */
export function readingFromDrag(blades: readonly number[], blade: number): Reading {
  const below = blades.filter((other) => other < blade).pop();
  const above = blades.find((other) => other > blade);
  const down = blade - (below ?? 2 * blade - (above ?? blade));
  const up = (above ?? 2 * blade - (below ?? blade)) - blade;
  return {
    go: Math.max(0, Math.round(blade - down / 2)),
    noGo: Math.round(blade + up / 2),
    how: 'drag',
  };
}

export type BladeStack = { blades: number[]; sum: number; error: number };

const MOST_IN_STACK = 4;
const NO_ERROR = 5;

/**
 * The stack of at most four blades nearest `wanted` µm: smallest error (5 µm or less counts
 * as none), then fewest blades, then the thinner sum, then the thickest single blade.
 * `error` is sum − wanted. Undefined where there are no blades.
 *
 * @example bladeStack([250, 300, 30], 330) // { blades: [300, 30], sum: 330, error: 0 }
 */
export function bladeStack(blades: readonly Blade[], wanted: number): BladeStack | undefined {
  const plain = blades
    .filter((blade): blade is number => typeof blade === 'number' && blade > 0)
    .sort((a, b) => b - a);
  let best: { stack: BladeStack; score: readonly number[] } | undefined;
  const chosen: number[] = [];
  const extend = (from: number, sum: number) => {
    if (chosen.length > 0) {
      const error = sum - wanted;
      const counted = Math.abs(error) <= NO_ERROR ? 0 : Math.abs(error);
      const score = [counted, chosen.length, sum, -itemAt(chosen, 0)];
      if (!best || isLess(score, best.score)) {
        best = { stack: { blades: [...chosen], sum, error }, score };
      }
      // Thicker still cannot help: every further blade only adds to what is over already.
      if (error > NO_ERROR) return;
    }
    if (chosen.length === MOST_IN_STACK) return;
    for (let i = from; i < plain.length; i++) {
      chosen.push(itemAt(plain, i));
      extend(i + 1, sum + itemAt(plain, i));
      chosen.pop();
    }
  };
  extend(0, 0);
  return best?.stack;
}

function isLess(a: readonly number[], b: readonly number[]): boolean {
  const i = a.findIndex((value, k) => value !== b[k]);
  return i >= 0 && itemAt(a, i) < itemAt(b, i);
}

/** A blade as near as this to the wanted size serves for it, µm. */
export const NEAR_ENOUGH = 6;

/** A blade, or a stack taken as one, to lay out; `of` names the blades of a stack. */
export type LaidOut = { size: number; of?: number[] };

/**
 * What to lay out for a spec, in order of thickness: the blades of the set, and where none
 * is near enough to the target, to an aim or to a limit, the stack that makes it.
 */
export function layOutBlades(set: BladeSet, spec: SettingSpec): LaidOut[] {
  const plain = plainBlades(set);
  const laid: LaidOut[] = plain.map((size) => ({ size }));
  for (const wanted of new Set([spec.low, spec.target, toSet(spec), spec.high])) {
    if (laid.some(({ size }) => Math.abs(size - wanted) <= NEAR_ENOUGH)) continue;
    const stack = bladeStack(plain, wanted);
    if (stack && Math.abs(stack.error) <= NEAR_ENOUGH) {
      laid.push({ size: stack.sum, of: stack.blades });
    }
  }
  return laid.sort((a, b) => a.size - b.size);
}

/** The laid-out blade that serves for `wanted` µm, if any is near enough. */
export function bladeFor(laid: readonly LaidOut[], wanted: number): LaidOut | undefined {
  const [nearest] = [...laid].sort((a, b) => Math.abs(a.size - wanted) - Math.abs(b.size - wanted));
  return nearest && Math.abs(nearest.size - wanted) <= NEAR_ENOUGH ? nearest : undefined;
}
