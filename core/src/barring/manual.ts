import { ANGLE_TOLERANCE, apart, wrap } from '../engine/angle';
import type { Adjuster } from '../engine/adjusters';
import type { ChartStop, EngineSheet } from '../engine/sheet';
import type { Engine } from './assembly';
import { engineOf, holdsAt, leftOverOf, marginAt, writePlan } from './assembly';
import type { BarringPlan, ChartFlag, PlanOptions } from './barringPlan';
import type { Site } from './sites';
import { homeAngle, withMark } from './sites';
import type { Result } from '../result';

/**
 * The manual's chart as typed, held against the model entry by entry. Nothing is moved:
 * what the model doubts is flagged, and the manual stands.
 */
export function planManual(sheet: EngineSheet, { startAt, ids }: PlanOptions): Result<BarringPlan> {
  const { chart } = sheet;
  if (!chart?.length)
    return { refused: 'no-chart', says: 'The sheet holds no chart from the manual.' };
  const engine = engineOf(sheet, ids);
  const { adjusters, firing } = engine;
  const byId = new Map(adjusters.map((adjuster) => [adjuster.id, adjuster]));
  const typed: TypedStop[] = [];
  for (const [index, entry] of chart.entries()) {
    const site = siteOf(entry, engine);
    if (!site)
      return {
        refused: 'not-on-engine',
        says: `Stop ${index + 1} of the chart is nowhere on this engine.`,
      };
    const set = entry.set.flatMap((id) => byId.get(id) ?? []);
    typed.push({ index, site, set });
  }
  const stops = fromStart(typed, firing.cycle, startAt, homeAngle(firing));
  const flags = flagsOf(stops, adjusters, firing.cycle);
  const unplaced = adjusters
    .filter((adjuster) => !typed.some(({ set }) => set.includes(adjuster)))
    .map((adjuster) => leftOverOf(adjuster, firing.cycle, 'The manual’s chart does not place it.'));
  const plan = writePlan(
    engine,
    stops.map(({ site }) => site),
    stops.map(({ set }) => set),
    unplaced,
    startAt,
  );
  return { ...plan, flags };
}

type TypedStop = { index: number; site: Site; set: Adjuster[] };

function siteOf(entry: ChartStop, { sheet, firing }: Engine): Site | undefined {
  if ('cylinder' in entry && typeof entry.cylinder === 'number') {
    const tdc = firing.at.get(entry.cylinder);
    if (tdc === undefined) return undefined;
    const at = entry.at === 'overlap' ? wrap(tdc + firing.cycle / 2, firing.cycle) : tdc;
    return withMark({ at }, sheet);
  }
  if ('mark' in entry && typeof entry.mark === 'string') {
    const mark = sheet.marks?.find(({ name }) => name === entry.mark);
    if (!mark) return undefined;
    const at = wrap(mark.at, 360) + (entry.turn === 2 ? 360 : 0);
    return { at: wrap(at, firing.cycle), mark: mark.name };
  }
  return withMark({ at: wrap(Number(entry.at), firing.cycle) }, sheet);
}

/** The chart in its typed order, begun at the stop nearest ahead, or nearest home. */
function fromStart(
  typed: TypedStop[],
  cycle: number,
  startAt: number | undefined,
  home: number,
): TypedStop[] {
  const ways = typed.map(({ site }) =>
    startAt === undefined ? apart(site.at, home, cycle) : wrap(site.at - startAt, cycle),
  );
  const least = Math.min(...ways);
  const first = ways.findIndex((way) => way < least + ANGLE_TOLERANCE);
  return [...typed.slice(first), ...typed.slice(0, first)];
}

function flagsOf(
  stops: readonly TypedStop[],
  adjusters: readonly Adjuster[],
  cycle: number,
): ChartFlag[] {
  const flags: ChartFlag[] = [];
  const seen = new Set<Adjuster>();
  stops.forEach(({ site, set }, stop) => {
    for (const adjuster of set) {
      const margin = marginAt(adjuster, site.at, cycle) ?? null;
      const { id } = adjuster;
      if (seen.has(adjuster)) flags.push({ id, stop, margin, why: 'placed twice' });
      seen.add(adjuster);
      if (margin !== null && !holdsAt(adjuster, site.at, cycle)) {
        flags.push({ id, stop, margin, why: 'on lobe' });
      }
    }
  });
  for (const adjuster of adjusters) {
    if (!seen.has(adjuster)) {
      flags.push({ id: adjuster.id, stop: null, margin: null, why: 'not placed' });
    }
  }
  return flags;
}
