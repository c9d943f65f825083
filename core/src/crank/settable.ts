import { itemAt } from '../itemAt';
import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { ANGLE_TOLERANCE } from '../engine/angle';
import { marginsByDegree } from '../engine/arc';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { rememberBy } from '../remember';
import type { CrankArc, CrankBelief } from './belief';
import { degreesOf } from './belief';
import type { Result } from '../result';
import { isRefused } from '../result';

/**
 * The adjusters, in the sheet's order, whose condition holds at every plausible degree: what may
 * be lit, read and set. None while the place is not told; what comes after what is the plan's.
 */
export function settable(
  sheet: EngineSheet,
  belief: Result<Pick<CrankBelief, 'told' | 'plausible'>>,
): string[] {
  if (isRefused(belief) || !belief.told) return [];
  return holdingOver(sheet, belief.plausible);
}

/** The adjusters, in the sheet's order, whose condition holds at every degree of these arcs. */
export function holdingOver(sheet: EngineSheet, arcs: readonly CrankArc[]): string[] {
  const cycle = cycleDegrees(sheet);
  const degrees = degreesOf(arcs, cycle);
  return adjustersOf(sheet)
    .filter((adjuster) => {
      const spare = spareByDegree(sheet, adjuster);
      return spare && degrees.every((degree) => itemAt(spare, degree) >= -ANGLE_TOLERANCE);
    })
    .map(({ id }) => id);
}

/** Margin minus what the condition needs, by whole degree; none where its place is unknown. */
const spareByDegree = rememberBy(
  (sheet: EngineSheet, { place }: Adjuster): Float64Array | undefined =>
    'arc' in place
      ? marginsByDegree(place.arc, cycleDegrees(sheet)).map((margin) => margin - place.need)
      : undefined,
  ({ id }) => id,
);
