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

export type FigureUnit = keyof typeof SIZES;

/** Those in which figures are shown; another may be typed behind one. */
export type ShownUnit = Exclude<FigureUnit, 'lb·ft'>;
