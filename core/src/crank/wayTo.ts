import type { BarringPlan, Stop, Watch } from '../barring/barringPlan';
import { wrap } from '../engine/angle';
import type { CrankBelief } from './belief';
import { spanOf } from './belief';
import type { Result } from '../result';
import { isRefused } from '../result';

/** The way to a stop, degrees forward: the smallest and the largest that it can be. */
export type Way = {
  at: number;
  least: number;
  most: number;
  mark?: string;
  watch?: Watch;
  /** The rockers that must be loose there, and those that must be firm. */
  loose: string[];
  firm: string[];
};

/**
 * The nearest stop ahead of every plausible degree at which something is set that is not `done`
 * yet, with the smallest and the largest way to it; undefined while the place is not told or
 * when nothing is left.
 */
export function wayTo(
  plan: Pick<BarringPlan, 'stops' | 'cycle'>,
  belief: Result<Pick<CrankBelief, 'told' | 'plausible'>>,
  done: Iterable<string>,
): Way | undefined {
  if (isRefused(belief) || !belief.told) return undefined;
  const { cycle } = plan;
  const finished = new Set(done);
  const span = spanOf(belief.plausible, cycle);
  let nearest: { stop: Stop; least: number } | undefined;
  for (const stop of plan.stops) {
    if (stop.set.every(({ id }) => finished.has(id))) continue;
    const least = wrap(stop.at - span.to, cycle);
    if (!nearest || least < nearest.least) nearest = { stop, least };
  }
  if (!nearest) return undefined;
  const { at, mark, watch, loose, firm } = nearest.stop;
  return {
    at,
    least: nearest.least,
    most: nearest.least + span.length,
    ...(mark !== undefined && { mark }),
    ...(watch && { watch }),
    loose,
    firm,
  };
}
