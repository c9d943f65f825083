import { daysBetween } from '../calendar';
import { formatDay, formatHours } from '../units';
import type { HoursReading, MeterChange } from './hours';
import { engineHours, useOf } from './hours';

/** More than a day has is impossible; this much over the usual use is questioned. */
const HOURS_A_DAY = 24;
const FAR_ABOVE = 4;

/**
 * What is doubtful about a new reading of the hour meter, in a sentence; undefined where
 * nothing is. One below its neighbours is either misread or the meter was replaced or reset;
 * more than the days between hold is impossible; far above the usual use is asked about.
 */
export function questionHours(
  reading: HoursReading,
  known: readonly HoursReading[],
  meter: readonly MeterChange[],
): { doubt: 'below' | 'above' | 'impossible' | 'far'; says: string } | undefined {
  const day = ({ date }: HoursReading) => date.slice(0, 10);
  const inOrder = [...known].sort((a, b) => day(a).localeCompare(day(b)) || a.hours - b.hours);
  const before = inOrder.filter((each) => day(each) < day(reading)).at(-1);
  const after = inOrder.find((each) => day(each) > day(reading));
  const hours = engineHours(reading, meter);
  const said = (each: HoursReading) => `${formatHours(each.hours)} h on ${formatDay(each.date)}`;
  if (before && engineHours(before, meter) > hours) {
    return {
      doubt: 'below',
      says: `The meter showed ${said(before)} already. Read it once more, or say that the meter was replaced or reset.`,
    };
  }
  if (after && engineHours(after, meter) < hours) {
    return { doubt: 'above', says: `The meter showed only ${said(after)}. Read it once more.` };
  }
  if (!before) return undefined;
  const days = daysBetween(before.date, reading.date);
  const added = hours - engineHours(before, meter);
  // The day it was read on and the day itself both count.
  if (added > HOURS_A_DAY * (days + 1)) {
    return {
      doubt: 'impossible',
      says: `${formatHours(added)} h in ${days} days is more than there are. The meter showed ${said(before)}.`,
    };
  }
  const engine = inOrder.map((each) => ({ ...each, hours: engineHours(each, meter) }));
  const use = useOf(engine, before.date);
  if (use && days > 0 && added / days > FAR_ABOVE * Math.max(use.fast, use.perDay)) {
    const usual = Math.round(use.perDay * 365);
    return {
      doubt: 'far',
      says: `That is ${formatHours(added)} h in ${days} days; it is used about ${formatHours(usual)} h a year. Read it once more.`,
    };
  }
  return undefined;
}
