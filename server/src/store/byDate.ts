import type { HoursReading } from '@longbar/core';

/** Earliest first; of one day, the fewer hours first. */
export function byDate(a: HoursReading, b: HoursReading): number {
  const days = a.date.slice(0, 10).localeCompare(b.date.slice(0, 10));
  return days || a.hours - b.hours;
}
