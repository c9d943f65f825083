import type { Arc } from './arc';
import { shifted } from './arc';
import type { Firing } from './firing';
import { firingOf, firingTdc } from './firing';
import { lobeLength, lobeOf, lobePeak } from './lobes';
import { rememberEach } from '../remember';
import type { AdjusterKind } from './kinds';
import { adjusterId, KINDS } from './kinds';
import type { AdjusterEntry, EngineSheet } from './sheet';
import { isWindow } from './setAt';
import type { Result } from '../result';

/** Degrees kept from a lobe's edge where the sheet gives no guard. */
const DEFAULT_GUARD = 20;
/** Degrees either side of a peak where the sheet gives no `within`. */
const DEFAULT_WITHIN = 10;

/** One adjuster of one cylinder, with what the model knows of where it may be set. */
export type Adjuster = {
  id: string;
  kind: AdjusterKind;
  cylinder: number;
  /** Which of several of its kind on the cylinder, from 1. */
  n: number;
  entry: AdjusterEntry;
  /** Where it may be set, crank degrees; the reason instead where that cannot be known. */
  place: Result<{ arc: Arc; need: number }>;
  /** The base circle of the lobe it rides, crank degrees; none where no lobe is known. */
  baseCircle?: Arc;
  /** The crank angle of full lift of the lobe it rides, where known. */
  peak?: number;
  guard: number;
};

/** All adjusters of the engine: in the sheet's order of kinds, then in firing order. */
export const adjustersOf = rememberEach((sheet: EngineSheet): readonly Adjuster[] =>
  readAdjusters(sheet, firingOf(sheet)),
);

function readAdjusters(sheet: EngineSheet, firing: Firing): Adjuster[] {
  return sheet.adjusters.flatMap((entry) => {
    const timing = timingOf(sheet, entry, firing.cycle);
    const several = (entry.perCylinder ?? 1) > 1;
    return firing.order.flatMap((cylinder) =>
      Array.from({ length: entry.perCylinder ?? 1 }, (_, i): Adjuster => {
        const tdc = firingTdc(firing, cylinder);
        const turn = (arc: Arc) => shifted(arc, tdc, firing.cycle);
        const { place, baseCircle, peak } = timing;
        return {
          id: adjusterId({ kind: entry.kind, cylinder, ...(several && { n: i + 1 }) }),
          kind: entry.kind,
          cylinder,
          n: i + 1,
          entry,
          guard: entry.guard ?? DEFAULT_GUARD,
          place: 'arc' in place ? { arc: turn(place.arc), need: place.need } : place,
          ...(baseCircle && { baseCircle: turn(baseCircle) }),
          ...(peak !== undefined && { peak: (peak + tdc) % firing.cycle }),
        };
      }),
    );
  });
}

type Timing = Pick<Adjuster, 'place' | 'baseCircle' | 'peak'>;

/** The timing of an entry on its cylinder's own scale. */
function timingOf(sheet: EngineSheet, entry: AdjusterEntry, cycle: number): Timing {
  const riding = entry.lobe ?? entry.kind;
  const lobe = lobeOf(sheet, riding);
  if (!lobe) return { place: placeOf(sheet, entry, undefined, cycle) };
  const length = lobeLength(lobe, cycle);
  const baseCircle = { from: lobe.closes, length: cycle - length };
  const peak = lobePeak(riding, lobe, cycle);
  return {
    place: placeOf(sheet, entry, baseCircle, cycle),
    baseCircle,
    ...(peak !== undefined && { peak }),
  };
}

function placeOf(
  sheet: EngineSheet,
  entry: AdjusterEntry,
  baseCircle: Arc | undefined,
  cycle: number,
): Adjuster['place'] {
  const setAt = entry.setAt ?? KINDS[entry.kind].place;
  if (setAt === undefined) {
    return {
      refused: 'not-on-sheet',
      says: `The sheet does not say where the ${entry.kind} is set.`,
    };
  }
  if (setAt === 'base') {
    if (!baseCircle)
      return {
        refused: 'not-on-sheet',
        says: `The sheet gives no ${entry.lobe ?? entry.kind} lobe.`,
      };
    return { arc: baseCircle, need: entry.guard ?? DEFAULT_GUARD };
  }
  if (isWindow(setAt)) {
    const [from, to] = setAt.window;
    // A draft may not have both ends yet.
    if (!Number.isFinite(from) || !Number.isFinite(to)) {
      return { refused: 'not-on-sheet', says: `The sheet gives no window for the ${entry.kind}.` };
    }
    const length = (((to - from) % cycle) + cycle) % cycle;
    return { arc: { from, length: length === 0 && to !== from ? cycle : length }, need: 0 };
  }
  const { peak: kind, within = DEFAULT_WITHIN } = setAt;
  const lobe = lobeOf(sheet, kind);
  if (!lobe)
    return {
      refused: 'not-on-sheet',
      says: `The sheet gives no ${kind} lobe, so its full lift is unknown.`,
    };
  const peak = lobePeak(kind, lobe, cycle);
  if (peak === undefined)
    return { refused: 'not-on-sheet', says: `The sheet gives no peak for the ${kind} lobe.` };
  return { arc: { from: peak - within, length: 2 * within }, need: 0 };
}
