import type { BarringPlan, CrankArc, CrankBelief, EngineSheet, Rotation } from '@longbar/core';
import { cycleDegrees, describeFeel, rockersToFeel, wayTo } from '@longbar/core';

/** How many places remain on this engine, and how wide; what to begin with where nothing is asked. */
export function placesWords(
  arcs: readonly CrankArc[],
  sheet: Pick<EngineSheet, 'cycle' | 'marks'>,
  isAsked = false,
): string {
  const cycle = cycleDegrees(sheet);
  const widths = arcs.map(({ from, to }) => ((to - from + cycle) % cycle) + 1);
  const total = widths.reduce((a, b) => a + b, 0);
  if (arcs.length === 0) return 'Nothing fits.';
  if (total >= cycle) {
    if (isAsked) return 'It may stand anywhere.';
    const first = sheet.marks?.length ? 'a mark or a rocker' : 'a rocker';
    return `It may stand anywhere. Begin with ${first}.`;
  }
  const wide = new Intl.ListFormat('en').format(widths.map((width) => `${width}°`));
  if (arcs.length === 1) return `One place, ${wide} wide.`;
  return `One of ${arcs.length} places, ${wide} wide.`;
}

/** The way to the next stop, and what must be felt there; nothing while the place is not told. */
export function onward(
  sheet: EngineSheet,
  plan: BarringPlan,
  belief: CrankBelief,
  rotation: Pick<Rotation, 'sense'> | undefined,
): string {
  const way = wayTo(plan, belief, []);
  if (!way) return '';
  const to = way.mark === undefined ? `to ${Math.round(way.at)}°` : `to mark ${way.mark}`;
  const far = `${Math.round(way.least)}° to ${Math.round(way.most)}°`;
  const sense = rotation?.sense ?? 'in its normal direction';
  return `Bar ${far} on ${sense}, ${to}. There: ${describeFeel(rockersToFeel(sheet, way.at))}`;
}

/** How wide what remains is, degrees. */
export function widthOf(sheet: EngineSheet, { plausible }: CrankBelief): number {
  const cycle = cycleDegrees(sheet);
  return plausible.reduce((sum, { from, to }) => sum + ((to - from + cycle) % cycle) + 1, 0);
}
