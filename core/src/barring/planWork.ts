import { ANGLE_TOLERANCE, apart, wrap } from '../engine/angle';
import type { EngineSheet } from '../engine/sheet';
import type { Engine } from './assembly';
import { engineOf, marginAt, rockersAt } from './assembly';
import type { BarringPlan, LeftOver, PlanOptions, Refused, Stop, Watch } from './barringPlan';
import { isRefused } from './barringPlan';
import { planBarring } from './plan';
import { withMark } from './sites';
import { valveNumbers } from './watch';

/** A valve this near its full lift tells a stop, degrees. */
const TELLS_WITHIN = 10;

/**
 * The stops as they are worked: the school's own without those where nothing is set, then
 * further stops for what the school leaves over. Refused where the school is.
 */
export function planWork(sheet: EngineSheet, options: PlanOptions): BarringPlan | Refused {
  const plan = planBarring(sheet, options);
  return isRefused(plan) ? plan : withFurtherStops(sheet, withoutEmptyStops(plan));
}

/**
 * The plan with what it leaves over as further stops after its own, in the order the crank
 * meets them, each told by the rocker to watch. What has no place at all stays left over.
 */
function withFurtherStops(sheet: EngineSheet, plan: BarringPlan): BarringPlan {
  const placed = plan.leftOver.filter(isPlaced);
  if (placed.length === 0) return plan;
  const engine = engineOf(sheet);
  const last = plan.stops[plan.stops.length - 1]?.at ?? 0;
  const angles = [...new Set(placed.map(({ at }) => at))].sort(
    (a, b) => wrap(a - last, plan.cycle) - wrap(b - last, plan.cycle),
  );
  const stops: Stop[] = [...plan.stops];
  for (const at of angles) {
    const from = stops[stops.length - 1]?.at ?? at;
    const ids = placed.filter((left) => left.at === at).map(({ id }) => id);
    stops.push(furtherStop(engine, at, wrap(at - from, plan.cycle), ids));
  }
  const totalTurn = stops.reduce((sum, { turn }) => sum + turn, 0);
  return { ...plan, stops, totalTurn, leftOver: plan.leftOver.filter((left) => !isPlaced(left)) };
}

/** The plan without stops at which nothing is set: nobody bars there for nothing. */
function withoutEmptyStops(plan: BarringPlan): BarringPlan {
  const stops: Stop[] = [];
  let way = 0;
  for (const stop of plan.stops) {
    way += stop.turn;
    if (stop.set.length === 0) continue;
    stops.push({ ...stop, turn: way });
    way = 0;
  }
  return { ...plan, stops, totalTurn: stops.reduce((sum, { turn }) => sum + turn, 0) };
}

function isPlaced(left: LeftOver): left is LeftOver & { at: number } {
  return left.at !== null;
}

function furtherStop(engine: Engine, at: number, turn: number, ids: readonly string[]): Stop {
  const { sheet, adjusters, firing } = engine;
  const set = adjusters
    .filter(({ id }) => ids.includes(id))
    .map((adjuster) => ({ id: adjuster.id, margin: marginAt(adjuster, at, firing.cycle) ?? 0 }));
  const { mark } = withMark({ at }, sheet);
  const watch = watchedAt(engine, at);
  return {
    at,
    turn,
    set,
    ...rockersAt(adjusters, at, firing.cycle),
    ...(mark !== undefined && { mark }),
    ...(watch && { watch }),
  };
}

/** The valve nearest its full lift here, if one is near enough to tell the place. */
function watchedAt({ sheet, adjusters, firing }: Engine, at: number): Watch | undefined {
  const numbers = valveNumbers(sheet);
  const [nearest] = adjusters
    .filter(({ kind, id }) => (kind === 'intake' || kind === 'exhaust') && numbers.has(id))
    .flatMap(({ id, peak }) =>
      peak === undefined ? [] : [{ id, off: apart(peak, at, firing.cycle) }],
    )
    .sort((a, b) => a.off - b.off);
  if (!nearest || nearest.off > TELLS_WITHIN + ANGLE_TOLERANCE) return undefined;
  return { id: nearest.id, valve: numbers.get(nearest.id) as number, state: 'down' };
}
