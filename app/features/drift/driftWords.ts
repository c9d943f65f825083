import type { AdjusterDrift, DriftForecast } from '@longbar/core';
import { adjusterName, formatGapChangeInBoth, formatReckonedHours } from '@longbar/core';

/** A rate in both units, and which way it goes. */
export function rateWords(rate: number | null): string {
  if (rate === null) return 'How fast it drifts is not known yet';
  if (Math.round(rate) === 0) return 'Steady';
  const way = rate < 0 ? 'Closes' : 'Opens';
  return `${way} by ${formatGapChangeInBoth(rate)} in 1,000 h`;
}

/** When it leaves its limits, hours since the last check. */
export function leavesWords(leaves: AdjusterDrift['leaves']): string {
  if (!leaves) return 'Too few checks to say when it leaves its limits.';
  const { p10, p50, p90 } = leaves;
  if (!Number.isFinite(p10)) return 'Leaving its limits is not in sight.';
  const until = Number.isFinite(p90) ? `${formatReckonedHours(p90)} h` : 'not in sight';
  const middle = Number.isFinite(p50) ? `, most likely ${formatReckonedHours(p50)} h` : '';
  return `Leaves its limits between ${formatReckonedHours(p10)} h and ${until} after the last check${middle}.`;
}

/** When to look next, and which adjuster asks for it; the risk in per cent. */
export function recheckWords({ hours, id }: DriftForecast['recheckAt'], risk: number): string {
  if (!Number.isFinite(hours)) return 'The sheet gives no interval, and nothing drifts out soon.';
  if (id === null)
    return `Look again at the maker’s interval, ${formatReckonedHours(hours)} h after the last check.`;
  return `Look again ${formatReckonedHours(hours)} h after the last check, before the maker’s interval: by then the chance that an adjuster has left its limits is ${risk} %, ${adjusterName(id)} most likely.`;
}
