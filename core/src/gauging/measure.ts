import type { AdjusterEntry, Spec } from '../engine/sheet';
import type { Units } from '../shownAs';
import { unitsShown } from '../shownAs';
import type { LengthUnit } from '../units';
import { formatMillimetres, formatThou } from '../units';
import type { ShownUnit } from './figureUnits';
import { LAST_PLACES, SIZES } from './figureUnits';

type Limits = Pick<Spec, 'low' | 'high'>;

/** What is measured at an adjuster: a gap, a height above a datum, or a preload torque. */
export type Measure = 'lash' | 'height' | 'preload';

/** What decides in which unit the figures of a measure come first. */
export type MeasureUnits = Pick<Units, 'length' | 'torque'>;

export function measureOf(entry: Pick<AdjusterEntry, 'measure' | 'method'>): Measure {
  return entry.measure ?? (entry.method === 'preload' ? 'preload' : 'lash');
}

/** How figures are written: their unit, and one of them without it. */
type Notation<U> = { unit: U; show: (figure: number) => string };

const decimals = (least: number, most = least) =>
  new Intl.NumberFormat('en', { minimumFractionDigits: least, maximumFractionDigits: most });
const [newtonMetres, inches, poundInches] = [decimals(2), decimals(3, 4), decimals(1)];

const inMm = { unit: 'mm', show: formatMillimetres } as const;

/** Lengths from µm and torques from mN·m, as metric gauges and wrenches are read. */
const METRIC: Record<Measure, Notation<'mm' | 'N·m'>> = {
  lash: inMm,
  height: inMm,
  preload: { unit: 'N·m', show: (torque) => newtonMetres.format(torque / SIZES['N·m']) },
};

/** The same as those in inches and pounds are: a gap by thou blades, a height by an inch gauge. */
const IN_INCHES: Record<Measure, Notation<'thou' | 'in' | 'lb·in'>> = {
  lash: { unit: 'thou', show: formatThou },
  height: { unit: 'in', show: (length) => inches.format(length / SIZES.in) },
  preload: { unit: 'lb·in', show: (torque) => poundInches.format(torque / SIZES['lb·in']) },
};

/** Both, the shop's first: of lengths and of torques it says so apart. */
function notations(measure: Measure, units: MeasureUnits = unitsShown()) {
  const both = [METRIC[measure], IN_INCHES[measure]] as const;
  const inInches = measure === 'preload' ? units.torque === 'lb·ft' : units.length === 'thou';
  return inInches ? ([both[1], both[0]] as const) : both;
}

/**
 * A figure of this measure without its unit, in the one that the shop has first: a gap in mm or
 * thou and a height in mm or inches from µm, a preload in N·m or lb·in from mN·m. A gap that is read
 * by blades in hand is written in `marked`, as they are.
 *
 * @example formatFigure('lash', 330, 'thou') // '13'
 */
export function formatFigure(measure: Measure, figure: number, marked?: LengthUnit): string {
  return notationOf(measure, marked).show(figure);
}

/** The notation of the blades in hand where a gap is read by them, else the shop's first. */
function notationOf(measure: Measure, marked: LengthUnit | undefined) {
  const [shops, other] = notations(measure);
  return measure === 'lash' && marked === other.unit ? other : shops;
}

/**
 * The unit a figure of this measure is shown and typed in where it is in one: the shop's first,
 * unless others are given.
 *
 * @example unitOf('height') // 'mm'
 */
export function unitOf(measure: Measure, units?: MeasureUnits): ShownUnit {
  return notations(measure, units)[0].unit;
}

/**
 * The last place that is read of this measure in its first unit, µm or mN·m: of a lash a hundredth of
 * a mm or a thou.
 *
 * @example lastPlaceOf('height') // 10
 */
export function lastPlaceOf(measure: Measure): number {
  return LAST_PLACES[unitOf(measure)];
}

/**
 * The unit of a figure where others than people read it, whatever a shop has first.
 *
 * @example metricUnitOf('height') // 'mm'
 */
export function metricUnitOf(measure: Measure): 'mm' | 'N·m' {
  return METRIC[measure].unit;
}

/**
 * A figure of this measure with its unit: of two the shop's first, or that of the blades in hand.
 *
 * @example formatSetting('preload', 904) // '0.90 N·m'
 */
export function formatSetting(measure: Measure, figure: number, marked?: LengthUnit): string {
  const { show, unit } = notationOf(measure, marked);
  return `${show(figure)} ${unit}`;
}

/**
 * The same in the shop's other unit.
 *
 * @example formatInOther('height', 63_500) // '2.500 in'
 */
export function formatInOther(measure: Measure, figure: number): string {
  const { show, unit } = notations(measure)[1];
  return `${show(figure)} ${unit}`;
}

/**
 * A setting in both units, the shop's first.
 *
 * @example formatInBoth('lash', 330) // '0.33 mm, 13 thou'
 */
export function formatInBoth(measure: Measure, figure: number): string {
  return inBoth(measure, (show) => show(figure));
}

/** Limits in both units, the shop's first: "0.28–0.38 mm, 11–15 thou". */
export function formatLimitsInBoth(measure: Measure, { low, high }: Limits): string {
  return inBoth(measure, (show) => `${show(low)}–${show(high)}`);
}

/**
 * A setting in both units, and its limits in the first of them.
 *
 * @example formatSpecInBoth('lash', { low: 280, target: 330, high: 380 }) // '0.33 mm (0.28 to 0.38), 13 thou'
 */
export function formatSpecInBoth(measure: Measure, { low, target, high }: Spec): string {
  const limits = `(${formatFigure(measure, low)} to ${formatFigure(measure, high)})`;
  const first = formatSetting(measure, target);
  return formatInBoth(measure, target).replace(first, `${first} ${limits}`);
}

/** What `say` makes of figures in each unit of a measure, the shop's first. */
function inBoth(measure: Measure, say: (show: (figure: number) => string) => string): string {
  return notations(measure)
    .map(({ show, unit }) => `${say(show)} ${unit}`)
    .join(', ');
}
