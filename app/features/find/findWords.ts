import type { BarringPlan, CrankInterval, EngineSheet } from '@longbar/core';
import { adjusterName, barTo, wiggleAt } from '@longbar/core';

/** How many places remain, and how wide. */
export function placesWords(intervals: readonly CrankInterval[]): string {
  const widths = intervals.map(({ from, to }) => ((to - from + 720) % 720) + 1);
  const total = widths.reduce((a, b) => a + b, 0);
  if (intervals.length === 0) return 'Nothing fits.';
  if (total >= 720) return 'It may stand anywhere. Begin with a rocker.';
  const wide = new Intl.ListFormat('en').format(widths.map((width) => `${width}°`));
  if (intervals.length === 1) return `One place, ${wide} wide.`;
  return `One of ${intervals.length} places, ${wide} wide.`;
}

/** The observations that do not fit the rest, each once. */
export function oddOnes(intervals: readonly CrankInterval[]): string[] {
  const texts = intervals.flatMap(({ against }) =>
    against.map((odd) => {
      if ('id' in odd) return `${adjusterName(odd.id)} is the odd one out: tight lash, or misread.`;
      if ('cylinder' in odd) return `No. ${odd.cylinder} rocking does not fit the rest.`;
      return `Mark ${odd.mark} does not fit the rest: is it the right mark?`;
    }),
  );
  return [...new Set(texts)];
}

/** "Bar 40° to 60° on, to mark II; then 5 is loose and 2 firm"; empty while too uncertain. */
export function onward(
  sheet: EngineSheet,
  plan: BarringPlan,
  intervals: readonly CrankInterval[],
): string {
  const way = barTo(plan, intervals);
  const stop = way && plan.stops[way.stop];
  if (!way || !stop) return '';
  const { sense = 'clockwise' } = sheet.rotation ?? {};
  const degrees =
    way.from === way.to
      ? `${Math.round(way.from)}°`
      : `${Math.round(way.from)}° to ${Math.round(way.to)}°`;
  const mark = stop.mark === undefined ? `to stop ${way.stop + 1}` : `to mark ${stop.mark}`;
  const { loose, firm } = wiggleAt(sheet, stop);
  const told = [
    loose.length ? `No. ${loose.join(' and ')} both loose` : '',
    firm.length ? `No. ${firm.join(' and ')} both firm` : '',
  ].filter(Boolean);
  const there = told.length ? ` There: ${told.join(', ')}.` : '';
  return `Bar ${degrees} on ${sense}, ${mark}.${there}`;
}
