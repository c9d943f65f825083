import { readId } from '@longbar/core';
import type { BarringPlan } from '@longbar/core';
import type { Placed } from '../../drawing/CamMap';

/** What a plan sets at its stops, and which of it the model doubts. */
export function placedOn({ stops, flags = [] }: BarringPlan): Placed[] {
  return stops.flatMap(({ at, set }, place) =>
    set.map(({ id }) => {
      const { kind, cylinder } = readId(id);
      const doubted = flags.some((flag) => flag.id === id && flag.stop === place);
      return { cylinder, kind, at, doubted };
    }),
  );
}
