import type { BarringPlan, Stop } from '../../barring/barringPlan';
import { ANGLE_TOLERANCE, wrap } from '../../engine/angle';
import type { EngineSheet } from '../../engine/sheet';
import type { JobState } from '../journal/state';
import { crankOfJob } from './crankOfJob';

/** The stops that the crank stands at, as far as is known. */
export function stopsAtHand(
  sheet: EngineSheet,
  state: Pick<JobState, 'crank'>,
  plan: Pick<BarringPlan, 'stops' | 'cycle'>,
): Stop[] {
  const { span } = crankOfJob(sheet, state);
  if (!span) return [];
  return plan.stops.filter(
    ({ at }) => wrap(at - span.from, plan.cycle) <= span.length + ANGLE_TOLERANCE,
  );
}

/**
 * What is planned where the crank stands and held by all that is believed of it, in order; and
 * what a person sets there by the manual's chart, which answers for it.
 */
export function heldAtHand(
  sheet: EngineSheet,
  state: Pick<JobState, 'crank' | 'adjusters'>,
  plan: Pick<BarringPlan, 'stops' | 'cycle'>,
): string[] {
  const { settable } = crankOfJob(sheet, state);
  return stopsAtHand(sheet, state, plan).flatMap(({ at, set }) =>
    set.flatMap(({ id }) => {
      const byChart = state.adjusters[id]?.placed?.stop === at;
      return settable.has(id) || byChart ? [id] : [];
    }),
  );
}
