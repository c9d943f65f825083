import type { EngineSheet } from '../engine/sheet';
import { formatHours } from '../units';

/**
 * When a sheet has its engine checked, each part by itself; none where it does not say.
 *
 * @example intervalWords({ breakInHours: 100, everyHours: 1000, everyMonths: 24 })
 *   // ['at 100 h', 'every 1,000 h', 'every 24 months']
 */
export function intervalWords(service: EngineSheet['service']): string[] {
  const { breakInHours, everyHours, everyMonths } = service ?? {};
  return [
    breakInHours ? `at ${formatHours(breakInHours)} h` : [],
    everyHours ? `every ${formatHours(everyHours)} h` : [],
    everyMonths ? `every ${everyMonths === 1 ? 'month' : `${everyMonths} months`}` : [],
  ].flat();
}
