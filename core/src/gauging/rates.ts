import * as v from 'valibot';
import { ADJUSTER_ID } from '../engine/kinds';
import { unitsShown } from '../shownAs';
import { MICROMETRES_PER_THOU } from '../units';

const rate = v.pipe(v.number('A rate is a number of µm in 1,000 h.'), v.finite());

/** How fast each adjuster drifts, µm per 1,000 h, and between what that is likely to lie. */
export const RatesSchema = v.record(
  v.pipe(v.string(), v.regex(ADJUSTER_ID)),
  v.object({ rate, low: rate, high: rate }),
);
export type Rates = v.InferOutput<typeof RatesSchema>;
export type RateBand = Rates[string];

const whole = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });
const tenths = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/** How much a gap changes in 1,000 h, whichever way, in the shop's first unit; `perThousand` in µm. */
export function formatRate(perThousand: number): string {
  return inEach(perThousand)[0];
}

/**
 * How much a gap changes in 1,000 h in both units, the shop's first; `perThousand` in µm.
 *
 * @example formatRateInBoth(-25.4) // '25 µm (1 thou)'
 */
export function formatRateInBoth(perThousand: number): string {
  const [first, other] = inEach(perThousand);
  return `${first} (${other})`;
}

function inEach(perThousand: number): [string, string] {
  const much = Math.abs(perThousand);
  const metric = `${whole.format(much)} µm`;
  const inThou = `${tenths.format(much / MICROMETRES_PER_THOU)} thou`;
  return unitsShown().length === 'thou' ? [inThou, metric] : [metric, inThou];
}
