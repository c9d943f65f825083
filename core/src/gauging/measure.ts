import type { AdjusterEntry } from '../engine/sheet';
import { unitsShown } from '../shownAs';
import { formatMillimetres, formatThou } from '../units';

/** What is measured at an adjuster: a gap, a height above a datum, or a preload torque. */
export type Measure = 'lash' | 'height' | 'preload';

export function measureOf(entry: Pick<AdjusterEntry, 'measure' | 'method'>): Measure {
  return entry.measure ?? (entry.method === 'preload' ? 'preload' : 'lash');
}

const newtonMetres = new Intl.NumberFormat('en', {
  minimumFractionDigits: 2,
  maximumFractionDigits: 2,
});

/** A figure of this measure without its unit: mm from µm, N·m from mN·m. */
export function formatFigure(measure: Measure, figure: number): string {
  return measure === 'preload' ? newtonMetres.format(figure / 1000) : formatMillimetres(figure);
}

/** The unit a figure of this measure is shown in. */
export function unitOf(measure: Measure): 'mm' | 'N·m' {
  return measure === 'preload' ? 'N·m' : 'mm';
}

/**
 * A figure of this measure with its unit.
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
  if (measure === 'preload') return undefined;
  if (measure === 'lash') return `${formatThou(figure)} thou`;
  return `${inches.format(figure / 25_400)} in`;
}

/**
 * A setting in both units, where it has two: the shop's first.
 *
 * @example formatInBoth('lash', 330) // '0.33 mm, 13 thou'
 */
export function formatInBoth(measure: Measure, figure: number): string {
  const both = [formatSetting(measure, figure), formatInInches(measure, figure) ?? []].flat();
  return (unitsShown().length === 'thou' ? both.reverse() : both).join(', ');
}

const inches = new Intl.NumberFormat('en', { minimumFractionDigits: 3, maximumFractionDigits: 3 });
