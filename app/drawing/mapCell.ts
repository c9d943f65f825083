import type { RockerLook } from '@longbar/core';
import { adjusterName } from '@longbar/core';

/** What is known of one adjuster, as the map draws and says it. */
export type MapCell = RockerLook & {
  says: string;
  /** What was read, without its unit, written along the rocker. */
  figure?: string;
};

/** Whether nothing is left to do at it. */
export function isEnded(cell: MapCell | undefined): boolean {
  return cell?.progress === 'painted' || cell?.progress === 'unset';
}

/** What the map says of one adjuster to those who do not see it. */
export function spoken(id: string, cell: MapCell | undefined): string {
  return cell?.says ? `${adjusterName(id)}: ${cell.says}` : adjusterName(id);
}
