import type { ShownUnit, Units } from '@longbar/core';
import { convertTorque, fromFahrenheit, inFahrenheit, SIZES } from '@longbar/core';

/** How a figure of the sheet is written in a unit: what is typed to what is kept, and back. */
export type Notation = { read: (typed: number) => number; show: (kept: number) => string };

/** Typed as it is kept. */
export const PLAIN: Notation = { read: (typed) => typed, show: String };

const decimals = (least: number, most: number) =>
  new Intl.NumberFormat('en', {
    minimumFractionDigits: least,
    maximumFractionDigits: most,
    useGrouping: false,
  }).format;

const rounded = (figure: number, places: number) => Number(figure.toFixed(places));

const inUnit = (unit: ShownUnit, show: (typed: number) => string): Notation => ({
  read: (typed) => Math.round(typed * SIZES[unit]),
  show: (kept) => show(kept / SIZES[unit]),
});

/** Figures of what is measured at an adjuster: µm, or mN·m of a preload, are kept. */
export const OF_MEASURE: Record<ShownUnit, Notation> = {
  mm: inUnit('mm', decimals(2, 3)),
  thou: inUnit('thou', decimals(0, 1)),
  in: inUnit('in', decimals(3, 4)),
  'N·m': inUnit('N·m', decimals(0, 3)),
  'lb·in': inUnit('lb·in', decimals(0, 1)),
};

const [whole, tenths, hundredths] = [decimals(0, 0), decimals(0, 1), decimals(0, 2)];

/** Torques of nuts and bolts: N·m are kept. */
export const OF_TORQUE: Record<Units['torque'], Notation> = {
  'N·m': PLAIN,
  'lb·ft': {
    read: (typed) => rounded(convertTorque(typed, 'lb·ft', 'N·m'), 3),
    show: (kept) => hundredths(convertTorque(kept, 'N·m', 'lb·ft')),
  },
};

/** Temperatures of metal: °C are kept. */
export const OF_TEMPERATURE: Record<Units['temperature'], Notation> = {
  '°C': PLAIN,
  '°F': {
    read: (typed) => rounded(fromFahrenheit(typed), 1),
    show: (kept) => whole(inFahrenheit(kept)),
  },
};

/** Threads in an inch: the µm from one to the next are kept. */
export const THREADS: Notation = {
  read: (typed) => Math.round(SIZES.in / typed),
  show: (kept) => tenths(SIZES.in / kept),
};
