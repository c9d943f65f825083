import type { EngineSheet } from '@longbar/core';
import { adjustersOf, cycleDegrees, holdsAt, marginAt, rockersAt } from '@longbar/core';
import type { MapCell } from '../../drawing/mapCell';

/** What the map shows of a bare engine at a crank angle: what may be set, and the margins. */
export function engineCells(sheet: EngineSheet, at: number): Record<string, MapCell> {
  const adjusters = adjustersOf(sheet);
  const cycle = cycleDegrees(sheet);
  const firm = new Set(rockersAt(adjusters, at, cycle).firm);
  return Object.fromEntries(
    adjusters.map((adjuster): [string, MapCell] => {
      const here = holdsAt(adjuster, at, cycle);
      const onLobe = firm.has(adjuster.id);
      const margin = marginAt(adjuster, at, cycle);
      const place = here ? 'may be set here' : onLobe ? 'on its lobe' : 'not to be set here';
      const says = margin === undefined ? place : `${place}, margin ${Math.round(margin)}°`;
      return [adjuster.id, { here, onLobe, progress: 'none', selected: false, says }];
    }),
  );
}
