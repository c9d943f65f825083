import { unitsShown } from '../shownAs';
import { MICROMETRES_PER_THOU } from '../units';

const whole = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });
const tenths = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });
const hundredths = new Intl.NumberFormat('en', { maximumFractionDigits: 2 });

/**
 * How much a gap changes, or differs from another, whichever way, in the shop's first unit; `change`
 * in µm. It is finer than a gap is told: a change of 5 µm is no thou.
 */
export function formatGapChange(change: number): string {
  return inEach(change)[0];
}

/**
 * How much a gap changes in both units, the shop's first; `change` in µm.
 *
 * @example formatGapChangeInBoth(-25.4) // '25 µm (1 thou)'
 */
export function formatGapChangeInBoth(change: number): string {
  const [first, other] = inEach(change);
  return `${first} (${other})`;
}

function inEach(change: number): [string, string] {
  const much = Math.abs(change);
  const metric = `${whole.format(much)} µm`;
  const thou = much / MICROMETRES_PER_THOU;
  // What is something in µm is not nothing in thou.
  const inThou = `${(thou < 0.1 ? hundredths : tenths).format(thou)} thou`;
  return unitsShown().length === 'thou' ? [inThou, metric] : [metric, inThou];
}
