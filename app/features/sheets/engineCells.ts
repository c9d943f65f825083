import type { Adjuster, EngineSheet } from '@longbar/core';
import { adjustersOf, cycleDegrees, holdsAt, marginAt, rockersAt } from '@longbar/core';
import type { MapCell } from '../../drawing/mapCell';
import type { Look } from '../../drawing/rockerPainter';
import { LOOK_LETTERS } from '../../drawing/rockerPainter';

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

/** What each rocker looks like at every degree of the cycle, a letter each; worked out once. */
export function engineLooks(sheet: EngineSheet): (id: string) => string {
  const cycle = cycleDegrees(sheet);
  const adjusters = new Map(adjustersOf(sheet).map((adjuster) => [adjuster.id, adjuster]));
  const known = new Map<string, string>();
  const lookAt = (adjuster: Adjuster, at: number): Look => {
    if (holdsAt(adjuster, at, cycle)) return 'here';
    return rockersAt([adjuster], at, cycle).firm.length > 0 ? 'lobe' : '';
  };
  return (id) => {
    const adjuster = adjusters.get(id);
    if (!adjuster) return '';
    const own =
      known.get(id) ??
      Array.from({ length: cycle }, (_, at) => LOOK_LETTERS[lookAt(adjuster, at)]).join('');
    known.set(id, own);
    return own;
  };
}
