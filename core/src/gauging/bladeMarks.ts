import type { LengthUnit } from '../units';
import { formatLengthAlone } from '../units';
import type { BladeSet } from './blades';

/**
 * The unit that is marked on the blades of a set: thou on inch blades.
 *
 * @example markedIn({ unit: 'inch' }) // 'thou'
 */
export function markedIn({ unit }: Pick<BladeSet, 'unit'>): LengthUnit {
  return unit === 'mm' ? 'mm' : 'thou';
}

/**
 * Blades on each other, in a unit that is not written behind them.
 *
 * @example formatStack([300, 30], 'mm') // '0.30 + 0.03'
 */
export function formatStack(blades: readonly number[], unit: LengthUnit): string {
  return blades.map((blade) => formatLengthAlone(blade, unit)).join(' + ');
}
