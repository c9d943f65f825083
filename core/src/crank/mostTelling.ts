import { itemAt } from '../itemAt';
import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { ANGLE_TOLERANCE } from '../engine/angle';
import { marginsByDegree } from '../engine/arc';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { rememberBy, rememberEach } from '../remember';
import type { Doubts } from './doubts';
import { evidenceOf, tells } from './evidence';
import { isRefused } from '../result';

/** The first intake and the first exhaust rocker of a cylinder, those whose lobe is known. */
export function firstRockers(sheet: EngineSheet, cylinder: number): Adjuster[] {
  return adjustersOf(sheet).filter(
    (adjuster) =>
      adjuster.cylinder === cylinder &&
      adjuster.n === 1 &&
      tells(adjuster) &&
      adjuster.baseCircle !== undefined,
  );
}

type Rocker = { id: string; margins: Float64Array; loose: Uint8Array; firm: Uint8Array };

/**
 * The cylinder to wiggle next: the one whose first rockers leave the fewest plausible degrees
 * on average, each felt as it would be at every degree that is plausible now. On a tie the one
 * whose rockers stay farthest from a lobe's edge, then firing order; none where no cylinder
 * would leave fewer than there are.
 */
export function mostTelling(
  sheet: EngineSheet,
  plausible: readonly number[],
  doubts: Doubts,
): number | undefined {
  const candidates = sheet.firing.order
    .map((cylinder, place) => ({
      cylinder,
      place,
      rockers: rockersOf(sheet, cylinder),
      // Whatever is felt of a cylinder, it may be mistaken: so many are left at the least.
      least: plausible.length * doubts.countWithout(cylinder),
    }))
    .filter(({ rockers }) => rockers.some(({ id }) => !doubts.feltNow(id)))
    .sort((a, b) => a.least - b.least);
  let best: { cylinder: number; place: number; left: number; clear: number } | undefined;
  for (const { cylinder, place, rockers, least } of candidates) {
    if (least >= plausible.length ** 2 || (best && least > best.left)) break;
    const left = leftInAll({ cylinder, rockers, plausible, doubts, most: best?.left });
    if (best && left > best.left) continue;
    const clear = clearance(rockers, plausible);
    const better =
      !best ||
      left < best.left ||
      clear > best.clear + ANGLE_TOLERANCE ||
      (clear > best.clear - ANGLE_TOLERANCE && place < best.place);
    if (better) best = { cylinder, place, left, clear };
  }
  return best && best.left < plausible.length ** 2 ? best.cylinder : undefined;
}

const rockersOf = rememberBy(
  (sheet: EngineSheet, cylinder: number): Rocker[] =>
    firstRockers(sheet, cylinder).flatMap(({ id, baseCircle }): Rocker[] => {
      const [loose, firm] = (['loose', 'firm'] as const).map((state) =>
        evidenceOf(sheet, { id, state }),
      );
      if (!baseCircle || !loose || !firm || isRefused(loose) || isRefused(firm)) return [];
      const margins = marginsByDegree(baseCircle, cycleDegrees(sheet));
      return [{ id, margins, loose: loose.fits, firm: firm.fits }];
    }),
  (cylinder) => cylinder,
);

/** 1 at every degree at which some rocker begins or ceases to fit loose or firm. */
export const rockerEdges = rememberEach((sheet: EngineSheet): Uint8Array => {
  const cycle = cycleDegrees(sheet);
  const made = new Uint8Array(cycle);
  for (const cylinder of sheet.firing.order) {
    for (const { loose, firm } of rockersOf(sheet, cylinder)) {
      for (let i = 1; i < cycle; i++) {
        if (loose[i] !== loose[i - 1] || firm[i] !== firm[i - 1]) made[i] = 1;
      }
    }
  }
  return made;
});

type Candidate = {
  cylinder: number;
  rockers: readonly Rocker[];
  plausible: readonly number[];
  doubts: Doubts;
  /** What the best so far leaves: whoever leaves more is not counted to the end. */
  most: number | undefined;
};

/** The plausible degrees left once these are felt, added up over all that are plausible now. */
function leftInAll({ cylinder, rockers, plausible, doubts, most = Infinity }: Candidate): number {
  const patterns = new Map<number, number>();
  for (const degree of plausible) {
    let pattern = 0;
    for (const { margins } of rockers) {
      pattern = pattern * 2 + (itemAt(margins, degree) >= -ANGLE_TOLERANCE ? 1 : 0);
    }
    patterns.set(pattern, (patterns.get(pattern) ?? 0) + 1);
  }
  let sum = 0;
  for (const [pattern, times] of patterns) {
    const felt = rockers.map(({ id, loose, firm }, i) => {
      const isLoose = (pattern >> (rockers.length - 1 - i)) & 1;
      return { id, fits: isLoose ? loose : firm };
    });
    sum += times * doubts.countWith(cylinder, felt);
    if (sum > most) break;
  }
  return sum;
}

/** How near any of these rockers comes to its lobe's edge over what is plausible, degrees. */
function clearance(rockers: readonly Rocker[], plausible: readonly number[]): number {
  let least = Infinity;
  for (const { margins } of rockers) {
    for (const degree of plausible) least = Math.min(least, Math.abs(itemAt(margins, degree)));
  }
  return least;
}
