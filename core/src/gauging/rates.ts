import * as v from 'valibot';
import { ADJUSTER_ID } from '../engine/kinds';

const rate = v.pipe(v.number('A rate is a number of µm in 1,000 h.'), v.finite());

/** How fast each adjuster drifts, µm per 1,000 h, and between what that is likely to lie. */
export const RatesSchema = v.record(
  v.pipe(v.string(), v.regex(ADJUSTER_ID)),
  v.object({ rate, low: rate, high: rate }),
);
export type Rates = v.InferOutput<typeof RatesSchema>;
export type RateBand = Rates[string];
