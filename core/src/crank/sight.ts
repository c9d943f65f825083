import type { Stop, Watch } from '../barring/barringPlan';
import { apart, wrap } from '../engine/angle';
import { firingOf } from '../engine/firing';
import { adjustersOf } from '../engine/adjusters';
import type { EngineSheet } from '../engine/sheet';
import type { CrankArc } from './belief';
import { MARK_WITHIN, overlapMiddle, PEAK_WITHIN, ROCKING_WITHIN, tells } from './evidence';
import type { Observation } from './observation';
import { isRefused } from '../result';

/** What a person sees when the crank stands there, and the arc that it leaves. */
export type Sight = { at: number; within: number; seen: Observation };

/** A stop that nothing marks is told by eye or by the tool's turns, give or take, degrees. */
const BY_EYE = 45;

/** The sight of a stop: its mark, the peak of its watched valve, the cylinder that rocks. */
export function sightOf(
  sheet: EngineSheet,
  { at, mark, watch }: { at: number; mark?: string | undefined; watch?: Watch | undefined },
): Sight | undefined {
  const { cycle } = firingOf(sheet);
  if (mark !== undefined) {
    const known = sheet.marks?.find(({ name }) => name === mark);
    if (known) {
      // The mark comes by once a turn: the time nearest the stop is meant.
      const turns = Array.from({ length: cycle / 360 }, (_, i) => wrap(known.at + 360 * i, cycle));
      const [nearest = at] = turns.sort((a, b) => apart(a, at, cycle) - apart(b, at, cycle));
      return { at: nearest, within: MARK_WITHIN, seen: { mark, state: 'at' } };
    }
  }
  if (watch && 'id' in watch) {
    const { id } = watch;
    const peak = adjustersOf(sheet).find((adjuster) => adjuster.id === id)?.peak;
    return { at: peak ?? at, within: PEAK_WITHIN, seen: { id, state: 'peak' } };
  }
  if (watch) {
    const middle = overlapMiddle(sheet, firingOf(sheet), watch.cylinder);
    if (isRefused(middle)) return undefined;
    const seen: Observation = { cylinder: watch.cylinder, state: 'rocking' };
    return { at: middle.at, within: ROCKING_WITHIN, seen };
  }
  return undefined;
}

/** The degrees that the sight of a stop leaves; by eye those about its angle. */
export function arcOf(sheet: EngineSheet, stop: Pick<Stop, 'at' | 'mark' | 'watch'>): CrankArc {
  const { cycle } = firingOf(sheet);
  const { at, within } = sightOf(sheet, stop) ?? { at: stop.at, within: BY_EYE };
  return {
    from: wrap(Math.ceil(at - within - 1e-6), cycle),
    to: wrap(Math.floor(at + within + 1e-6), cycle),
  };
}

/** The peaks of all intake and exhaust valves whose lobe is known, each a sight. */
export function peaksOf(sheet: EngineSheet): (Sight & { id: string })[] {
  return adjustersOf(sheet).flatMap((adjuster) => {
    const { id, peak, n } = adjuster;
    if (!tells(adjuster) || n !== 1 || peak === undefined) return [];
    return [{ id, at: peak, within: PEAK_WITHIN, seen: { id, state: 'peak' as const } }];
  });
}
