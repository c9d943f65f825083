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
