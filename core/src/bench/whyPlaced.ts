import type { BarringPlan } from '../barring/barringPlan';
import { marginAt } from '../barring/assembly';
import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { adjusterName } from '../engine/adjusterEntry';
import type { EngineSheet } from '../engine/sheet';

/** Why one adjuster is set where it is. */
export type WhyPlaced = {
  id: string;
  /** The stop, from 0, and the crank angle there. */
  stop: number;
  at: number;
  says: string;
};

/**
 * Why each adjuster of a plan is set at its stop: how far its place reaches there, and how it
 * stands at the next best stop. In the order of the plan.
 *
 * @example whyPlaced(six, planBarring(six, { method: 'two-position' }))[0].says
 *   // 'No. 1 intake: 145° clear of its lobe at stop 1. At stop 2 it is on its lobe.'
 */
export function whyPlaced(
  sheet: EngineSheet,
  { stops, cycle }: Pick<BarringPlan, 'stops' | 'cycle'>,
): WhyPlaced[] {
  const adjusters = new Map(adjustersOf(sheet).map((adjuster) => [adjuster.id, adjuster]));
  return stops.flatMap(({ at, set }, stop) =>
    set.flatMap(({ id, margin }): WhyPlaced[] => {
      const adjuster = adjusters.get(id);
      if (!adjuster) return [];
      const [best] = stops
        .map((other, k) => ({ stop: k, margin: marginAt(adjuster, other.at, cycle) ?? -Infinity }))
        .filter((other) => other.stop !== stop)
        .sort((a, b) => b.margin - a.margin);
      const here = `${adjusterName(id)}: ${reach(adjuster, margin)} at stop ${stop + 1}.`;
      return [
        { id, stop, at, says: [here, best && elsewhere(adjuster, best)].filter(Boolean).join(' ') },
      ];
    }),
  );
}

const isOnBase = ({ entry }: Adjuster) => entry.setAt === undefined || entry.setAt === 'base';

/** How far an adjuster’s place reaches from where it stands, for a person. */
function reach(adjuster: Adjuster, margin: number): string {
  if (margin < 0) return isOnBase(adjuster) ? 'on its lobe' : 'outside its place';
  const far = `${Math.round(margin)}°`;
  return isOnBase(adjuster) ? `${far} clear of its lobe` : `inside its place by ${far}`;
}

function elsewhere(adjuster: Adjuster, best: { stop: number; margin: number }): string {
  const need = 'need' in adjuster.place ? adjuster.place.need : 0;
  const place = `At stop ${best.stop + 1} it is`;
  const said = reach(adjuster, best.margin);
  if (best.margin < 0) return `${place} ${said}.`;
  return best.margin < need ? `${place} ${said}, too near to it.` : `${place} ${said}.`;
}
