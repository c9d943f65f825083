import { convertTorque } from '../torque/units';

/** µm in one of each unit of length that is read or typed at an adjuster, mN·m of each of torque. */
export const SIZES = {
  mm: 1000,
  thou: 25.4,
  in: 25_400,
  'N·m': 1000,
  'lb·ft': convertTorque(1000, 'lb·ft', 'N·m'),
  'lb·in': convertTorque(1000, 'lb·in', 'N·m'),
} as const;

/** The last place that is read in each, in the same: 0.01 mm, a thou, 0.1 lb·in. */
export const LAST_PLACES: Record<FigureUnit, number> = {
  mm: 0.01 * SIZES.mm,
  thou: SIZES.thou,
  in: 0.001 * SIZES.in,
  'N·m': 0.01 * SIZES['N·m'],
  'lb·ft': 0.01 * SIZES['lb·ft'],
  'lb·in': 0.1 * SIZES['lb·in'],
};

export type FigureUnit = keyof typeof SIZES;

/** Those in which figures are shown; another may be typed behind one. */
export type ShownUnit = Exclude<FigureUnit, 'lb·ft'>;
