import { unitsShown } from '../shownAs';

export const TORQUE_UNITS = ['N·m', 'lb·ft', 'lb·in'] as const;
export type TorqueUnit = (typeof TORQUE_UNITS)[number];

/** Newton metres in one unit: a pound-force is 4.4482216152605 N, a foot 0.3048 m. */
const NEWTON_METRES: Record<TorqueUnit, number> = {
  'N·m': 1,
  'lb·ft': 4.4482216152605 * 0.3048,
  'lb·in': (4.4482216152605 * 0.3048) / 12,
};

/** A torque in another unit. */
export function convertTorque(value: number, from: TorqueUnit, to: TorqueUnit): number {
  return from === to ? value : (value * NEWTON_METRES[from]) / NEWTON_METRES[to];
}

const newtonMetres = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });
const poundFeet = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/**
 * A torque in both units that wrenches carry, the shop's first: 46 is "46 N·m (33.9 lb·ft)".
 *
 * @example formatTorque(46) // '46 N·m (33.9 lb·ft)'
 */
export function formatTorque(torque: number): string {
  const [first, other] = inBoth(torque);
  return `${first} (${other})`;
}

/**
 * A torque in the shop's first unit, where there is room for one.
 *
 * @example formatTorqueAlone(46) // '46 N·m'
 */
export function formatTorqueAlone(torque: number): string {
  return inBoth(torque)[0];
}

/** The shop's first unit before the other. */
function inBoth(torque: number): [string, string] {
  const metric = `${newtonMetres.format(torque)} N·m`;
  const inPounds = `${poundFeet.format(convertTorque(torque, 'N·m', 'lb·ft'))} lb·ft`;
  return unitsShown().torque === 'lb·ft' ? [inPounds, metric] : [metric, inPounds];
}
