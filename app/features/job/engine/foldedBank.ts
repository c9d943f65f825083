import type { SeatedBank } from '@longbar/core';
import type { FoldedLine } from '../../../drawing/FoldedBank';
import type { MapCell } from '../../../drawing/mapCell';
import { isEnded } from '../../../drawing/mapCell';

/**
 * What the map of a job says of the bank that nobody works on: how far it is at this stop, and
 * the rocker there that is still to do, else its first.
 */
export function foldedBank(
  { cylinders }: SeatedBank,
  cells: Readonly<Record<string, MapCell>>,
): FoldedLine {
  const here = cylinders
    .flatMap(({ adjusters }) => adjusters.map(({ id }) => id))
    .filter((id) => cells[id]?.here);
  const open = here.filter((id) => !isEnded(cells[id]));
  if (here.length === 0) return { says: 'nothing to set here', to: undefined };
  if (open.length === 0) return { says: 'all finished here', to: here[0] };
  return { says: `${here.length - open.length} of ${here.length} finished here`, to: open[0] };
}
