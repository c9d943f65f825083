import type { AdjusterEntry, Spec } from '../engine/sheet';
import { unitsShown } from '../shownAs';
import { formatMillimetres, formatThou } from '../units';

type Limits = Pick<Spec, 'low' | 'high'>;

/** What is measured at an adjuster: a gap, a height above a datum, or a preload torque. */
export type Measure = 'lash' | 'height' | 'preload';

export function measureOf(entry: Pick<AdjusterEntry, 'measure' | 'method'>): Measure {
  return entry.measure ?? (entry.method === 'preload' ? 'preload' : 'lash');
}

const newtonMetres = new Intl.NumberFormat('en', {
  minimumFractionDigits: 2,
  maximumFractionDigits: 2,
});

/** A gap is shown in thou alone where a shop's blades are: heights are read off gauges in mm. */
function inThou(measure: Measure): boolean {
  return measure === 'lash' && unitsShown().length === 'thou';
}

/**
 * A figure of this measure without its unit, in the one that the shop has first: a gap in mm or thou
 * and a height in mm from µm, a preload in N·m from mN·m.
 *
 * @example formatFigure('lash', 330) // '0.33'
 */
export function formatFigure(measure: Measure, figure: number): string {
  return inThou(measure) ? formatThou(figure) : metricFigure(measure, figure);
}

/** The unit a figure of this measure is shown in where it is shown in one. */
export function unitOf(measure: Measure): 'mm' | 'thou' | 'N·m' {
  return inThou(measure) ? 'thou' : metricUnitOf(measure);
}

function metricFigure(measure: Measure, figure: number): string {
  return measure === 'preload' ? newtonMetres.format(figure / 1000) : formatMillimetres(figure);
}

/**
 * The unit of a figure where others than people read it, whatever a shop has first.
 *
 * @example metricUnitOf('height') // 'mm'
 */
export function metricUnitOf(measure: Measure): 'mm' | 'N·m' {
  return measure === 'preload' ? 'N·m' : 'mm';
}

/**
 * A figure of this measure with its unit: of two the shop's first.
 *
 * @example formatSetting('preload', 904) // '0.90 N·m'
 */
export function formatSetting(measure: Measure, figure: number): string {
  return `${formatFigure(measure, figure)} ${unitOf(measure)}`;
}

/**
 * The same in inches: thou for a gap, an inch figure for a height; none for a torque.
 *
 * @example formatInInches('height', 63_500) // '2.500 in'
 */
export function formatInInches(measure: Measure, figure: number): string | undefined {
  return measure === 'preload'
    ? undefined
    : `${inchFigure(measure, figure)} ${inchUnitOf(measure)}`;
}

const inchFigure = (measure: 'lash' | 'height', figure: number): string =>
  measure === 'lash' ? formatThou(figure) : inches.format(figure / 25_400);

const inchUnitOf = (measure: 'lash' | 'height') => (measure === 'lash' ? 'thou' : 'in');

/**
 * A setting in both units, where it has two: the shop's first.
 *
 * @example formatInBoth('lash', 330) // '0.33 mm, 13 thou'
 */
export function formatInBoth(measure: Measure, figure: number): string {
  return inBoth(measure, (show) => show(figure));
}

/** Limits in both units, where they have two, the shop's first: "0.28–0.38 mm, 11–15 thou". */
export function formatLimitsInBoth(measure: Measure, { low, high }: Limits): string {
  return inBoth(measure, (show) => `${show(low)}–${show(high)}`);
}

/**
 * A setting in both units, where it has two, and its limits in the first of them.
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
  const metric = `${say((each) => metricFigure(measure, each))} ${metricUnitOf(measure)}`;
  if (measure === 'preload') return metric;
  const both = [metric, `${say((each) => inchFigure(measure, each))} ${inchUnitOf(measure)}`];
  return (unitsShown().length === 'thou' ? both.reverse() : both).join(', ');
}

const inches = new Intl.NumberFormat('en', { minimumFractionDigits: 3, maximumFractionDigits: 3 });
