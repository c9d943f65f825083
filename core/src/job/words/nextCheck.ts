import { addMonths } from '../../calendar';
import type { AdjusterKind } from '../../engine/kinds';
import type { EngineSheet } from '../../engine/sheet';
import { formatDay, formatHours } from '../../units';
import { kindsInWords } from './scopeWords';

/**
 * What the next check is counted from: the interval, what the meter showed, the instant. `leftOut`
 * are the kinds that the job was not about.
 */
type CountedFrom = {
  service: EngineSheet['service'];
  hours: { hours: number } | undefined;
  at: string;
  leftOut?: readonly AdjusterKind[];
};

/**
 * By when the next check is due after one that was signed as complete: "at the latest when the
 * meter shows 7,201 h, or on 26 May 2028, whichever comes first". Drift, which is worked out once
 * it is signed, may ask for it earlier. What was left out stays due, and is named.
 *
 * @example nextCheckWords({ service: { everyHours: 600 }, hours: { hours: 6601 }, at: '2026-05-02' })
 *   // 'at the latest when the meter shows 7,201 h'
 */
export function nextCheckWords({ service, hours, at, leftOut = [] }: CountedFrom): string {
  const { everyHours, everyMonths } = service ?? {};
  const onMeter = everyHours && hours && formatHours(hours.hours + everyHours);
  // Where the meter could not be read the interval is known all the same.
  const more = everyHours ? `after ${formatHours(everyHours)} h more` : '';
  const byHours = onMeter ? `when the meter shows ${onMeter} h` : more;
  const byMonths = everyMonths ? `on ${formatDay(addMonths(at, everyMonths))}` : '';
  if (!byHours && !byMonths) return 'the sheet gives no interval';
  const both = byHours && byMonths ? ', whichever comes first' : '';
  const others = leftOut.length > 0 ? `; the ${kindsInWords(leftOut)} stay due` : '';
  return `at the latest ${[byHours, byMonths].filter(Boolean).join(', or ')}${both}${others}`;
}
