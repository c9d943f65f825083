import type { EngineSheet } from '@longbar/core';
import { adjustersOf, cycleDegrees, holdsAt, marginAt, rockersAt } from '@longbar/core';
import type { MapCell } from '../../drawing/mapCell';

/** What the map shows of a bare engine at a crank angle: what may be set, and the margins. */
export function engineCells(
  sheet: EngineSheet,
  at: number,
  asked?: string,
): Record<string, MapCell> {
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
      return [
        adjuster.id,
        { here, onLobe, progress: 'none', selected: adjuster.id === asked, says },
      ];
    }),
  );
}

type Look = 'here' | 'lobe' | '';

/** What each rocker looks like at a whole crank angle; each is worked out once. */
export function engineLooks(sheet: EngineSheet): (id: string, at: number) => Look {
  const cycle = cycleDegrees(sheet);
  const adjusters = new Map(adjustersOf(sheet).map((adjuster) => [adjuster.id, adjuster]));
  const lookAt = (id: string, at: number): Look => {
    const adjuster = adjusters.get(id);
    if (!adjuster) return '';
    if (holdsAt(adjuster, at, cycle)) return 'here';
    return rockersAt([adjuster], at, cycle).firm.length > 0 ? 'lobe' : '';
  };
  const known = new Map<string, Look[]>();
  return (id, at) => {
    const own = known.get(id) ?? [];
    known.set(id, own);
    return (own[at] ??= lookAt(id, at));
  };
}
