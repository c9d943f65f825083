import type { AdjusterKind } from '@longbar/core';
import { adjusterName } from '@longbar/core';
import type { RockerLook } from './rockerShapes';

/** What is known of one adjuster, as the map draws and says it. */
export type MapCell = RockerLook & { says: string };

/** How a row of the map is laid out, in pixels. */
export type Geometry = {
  scale: number;
  height: number;
  /** Each rocker's middle, from the left edge of the row. */
  places: { id: string; x: number; cylinder: number }[];
};

/** What the map says of one adjuster to those who do not see it. */
export function spoken(id: string, cell: MapCell | undefined): string {
  return cell?.says ? `${adjusterName(id)}: ${cell.says}` : adjusterName(id);
}

/** A kind in the two or three letters there is room for. */
export const KIND_LETTERS: Record<AdjusterKind, string> = {
  intake: 'in',
  exhaust: 'ex',
  injector: 'inj',
  brake: 'br',
  bridge: 'bd',
};
