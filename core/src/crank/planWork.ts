import type { Engine } from '../barring/assembly';
import { engineOf, leftOverOf, marginAt, rockersAt } from '../barring/assembly';
import type {
  BarringPlan,
  ChartPlace,
  LeftOver,
  PlanOptions,
  Stop,
  Watch,
} from '../barring/barringPlan';
import { planBarring } from '../barring/plan';
import { homeAngle, sumOf, turnsOf } from '../barring/sites';
import { valveNumbers } from '../barring/watch';
import { ANGLE_TOLERANCE, apart, wrap } from '../engine/angle';
import type { EngineSheet } from '../engine/sheet';
import { holdingOver } from './settable';
import { arcOf, peaksOf, sightOf } from './sight';
import type { Result } from '../result';
import { isRefused } from '../result';

/**
 * The stops as they are worked. A stop serves what holds over all that its own sight leaves: its
 * mark, the peak of its watched valve, or a turn told by eye. What it does not serve goes to
 * another stop or to a further one at a mark or a valve's peak that does; what none serves is
 * left over and named. Stops where nothing is set are not barred to. Refused where the method is.
 */
export function planWork(sheet: EngineSheet, options: PlanOptions): Result<BarringPlan> {
  const plan = planBarring(sheet, options);
  if (isRefused(plan)) return plan;
  const engine = engineOf(sheet, options.ids);
  const served = new Set<string>();
  const own = plan.stops.map((planned): Stop => {
    const stop = reachable(engine, planned);
    const holding = new Set(holdingOver(sheet, [arcOf(sheet, stop)]));
    const set = stop.set.filter(({ id }) => holding.has(id) && !served.has(id));
    set.forEach(({ id }) => served.add(id));
    return { ...stop, set };
  });
  const moved = offTheirPlace(plan, own, served);
  const { stops, leftOver } = withFurtherStops(engine, own, served, plan.leftOver);
  const nowhere = new Set(leftOver.map(({ id }) => id));
  const elsewhere = moved.filter(({ id }) => !nowhere.has(id));
  const worked = tidied(engine, { ...plan, leftOver }, stops, options.startAt);
  return elsewhere.length > 0 ? { ...worked, moved: elsewhere } : worked;
}

/** What the manual's chart places where its condition does not hold, and not elsewhere too. */
function offTheirPlace(
  { flags = [] }: BarringPlan,
  own: readonly Stop[],
  served: ReadonlySet<string>,
): ChartPlace[] {
  const places = new Map<string, ChartPlace>();
  for (const { id, stop, why } of flags) {
    const chart = stop === null ? undefined : own[stop];
    if (why !== 'on lobe' || !chart || served.has(id) || places.has(id)) continue;
    const { at, mark, watch } = chart;
    places.set(id, { id, at, ...(mark !== undefined && { mark }), ...(watch && { watch }) });
  }
  return [...places.values()];
}

/** From a valve's peak a stop this far on is told by eye or by the tool's turns, degrees. */
const EYE_REACHES = 265;

/**
 * A stop that nothing marks is reached from a valve's peak. One that lies too far from all of
 * them is moved back to where the way from the last peak before it can still be told.
 */
function reachable({ sheet, all, firing }: Engine, stop: Stop): Stop {
  const { cycle } = firing;
  if (sightOf(sheet, stop)) return stop;
  const ways = peaksOf(sheet).map(({ at }) => wrap(stop.at - at, cycle));
  const nearest = Math.min(cycle, ...ways);
  if (nearest <= EYE_REACHES || ways.length === 0) return stop;
  const at = wrap(stop.at - nearest + EYE_REACHES, cycle);
  return { ...stop, at, ...rockersAt(all, at, cycle), set: stop.set };
}

/** The stops with what they leave over placed at sights that serve it. */
function withFurtherStops(
  engine: Engine,
  own: readonly Stop[],
  served: ReadonlySet<string>,
  reasons: readonly LeftOver[],
): { stops: Stop[]; leftOver: LeftOver[] } {
  const { adjusters, firing, sheet } = engine;
  const stops: Stop[] = own.map((stop) => ({ ...stop, set: [...stop.set] }));
  const leftOver: LeftOver[] = [];
  if (adjusters.every(({ id }) => served.has(id))) return { stops, leftOver };
  const sights = furtherSights(engine, own).map((stop) => ({
    stop,
    holding: new Set(holdingOver(sheet, [arcOf(sheet, stop)])),
  }));
  for (const adjuster of adjusters) {
    if (served.has(adjuster.id)) continue;
    const margin = ({ at }: Stop) => marginAt(adjuster, at, firing.cycle) ?? -Infinity;
    const [best] = sights
      .filter(({ holding }) => holding.has(adjuster.id))
      // A stop that is barred to anyway is better than one more.
      .map(({ stop }) => ({ stop, new: stop.set.length === 0 && !stops.includes(stop) }))
      .sort((a, b) => Number(a.new) - Number(b.new) || margin(b.stop) - margin(a.stop));
    if (!best) {
      const said = reasons.find(({ id }) => id === adjuster.id)?.reason;
      const reason = said ?? 'No mark and no valve’s peak tells a place where it may be set.';
      leftOver.push(leftOverOf(adjuster, firing.cycle, reason));
      continue;
    }
    const { stop } = best;
    const known = stops.find(({ at }) => apart(at, stop.at, firing.cycle) < ANGLE_TOLERANCE);
    const target = known ?? stop;
    target.set.push({ id: adjuster.id, margin: margin(target) });
    if (!known) stops.push(stop);
    // A stop by eye that happens to stand at a sight is told by that sight.
    else if (!sightOf(sheet, known)) {
      Object.assign(known, {
        ...(stop.mark && { mark: stop.mark }),
        ...(stop.watch && { watch: stop.watch }),
      });
    }
  }
  return { stops, leftOver };
}

/** Every sight at which a further stop may stand: the method's own, then marks, then peaks. */
function furtherSights({ sheet, all, firing }: Engine, own: readonly Stop[]): Stop[] {
  const { cycle } = firing;
  const numbers = valveNumbers(sheet);
  const stopAt = (at: number, told: { mark?: string; watch?: Watch }): Stop => ({
    at,
    turn: 0,
    set: [],
    ...rockersAt(all, at, cycle),
    ...told,
  });
  const marks = (sheet.marks ?? []).flatMap(({ name, at }) =>
    Array.from({ length: cycle / 360 }, (_, i) =>
      stopAt(wrap(at + 360 * i, cycle), { mark: name }),
    ),
  );
  const peaks = peaksOf(sheet).map(({ id, at }) =>
    stopAt(at, { watch: { id, valve: numbers.get(id) ?? 0, state: 'peak' } }),
  );
  const told = own.filter((stop) => stop.mark !== undefined || stop.watch !== undefined);
  return [...told, ...marks, ...peaks];
}

/** The plan in the order in which the crank meets it, without stops where nothing is set. */
function tidied(
  { adjusters, firing }: Engine,
  plan: BarringPlan,
  all: readonly Stop[],
  startAt: number | undefined,
): BarringPlan {
  const { cycle } = firing;
  const kept = all.filter(({ set }) => set.length > 0);
  const from = startAt ?? kept[0]?.at ?? homeAngle(firing);
  const stops = [...kept].sort((a, b) => wrap(a.at - from, cycle) - wrap(b.at - from, cycle));
  const turns = turnsOf(
    stops.map(({ at }) => at),
    cycle,
    startAt,
  );
  const spares = stops.flatMap(({ set }) =>
    set.flatMap(({ id, margin }) => {
      const place = adjusters.find((adjuster) => adjuster.id === id)?.place;
      return place && 'need' in place ? [margin - place.need] : [];
    }),
  );
  const margins = stops.flatMap(({ set }) => set.map(({ margin }) => margin));
  const flags = plan.flags && { flags: plan.flags };
  return {
    cycle,
    stops: stops.map((stop, i) => ({ ...stop, turn: turns[i] ?? 0 })),
    smallestMargin: margins.length > 0 ? Math.min(...margins) : null,
    spare: spares.length > 0 ? Math.min(...spares) : null,
    totalTurn: sumOf(turns),
    leftOver: plan.leftOver,
    ...(plan.rule && { rule: plan.rule }),
    ...flags,
  };
}
