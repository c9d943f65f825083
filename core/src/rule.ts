import { SIZES } from './gauging/figureUnits';
import { unitsShown } from './shownAs';
import { formatLength } from './units';

/** What is measured with a rule or a tape is in mm, or in inches where a shop has thou first. */
export type RuleUnit = 'mm' | 'in';

const places = (most: number) => new Intl.NumberFormat('en', { maximumFractionDigits: most });
const WRITTEN: Record<RuleUnit, Intl.NumberFormat> = { mm: places(1), in: places(2) };
const threads = places(1);

/**
 * The unit of a rule.
 *
 * @example ruleUnit() // 'mm'
 */
export function ruleUnit(): RuleUnit {
  return unitsShown().length === 'thou' ? 'in' : 'mm';
}

/**
 * A length in µm as a figure in the unit of a rule.
 *
 * @example inRuleUnit(400_000) // 400
 */
export function inRuleUnit(length: number): number {
  return length / SIZES[ruleUnit()];
}

/**
 * A figure in the unit of a rule as whole µm.
 *
 * @example fromRuleUnit(400) // 400000
 */
export function fromRuleUnit(figure: number): number {
  return Math.round(figure * SIZES[ruleUnit()]);
}

/**
 * A length in µm as it is read off a rule, with its unit.
 *
 * @example formatRule(209_440) // '209.4 mm'
 */
export function formatRule(length: number): string {
  const unit = ruleUnit();
  return `${WRITTEN[unit].format(inRuleUnit(length))} ${unit}`;
}

/** How fine a thread is, of its pitch in µm: "1.00 mm", or "24 threads in an inch". */
export function formatPitch(pitch: number): string {
  return ruleUnit() === 'mm'
    ? formatLength(pitch)
    : `${threads.format(SIZES.in / pitch)} threads in an inch`;
}
