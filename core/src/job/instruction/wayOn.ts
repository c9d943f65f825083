import { wrap } from '../../engine/angle';
import { cycleDegrees } from '../../engine/firing';
import type { EngineSheet } from '../../engine/sheet';
import type { BarringPlan } from '../../barring/barringPlan';
import type { CrankArc } from '../../crank/belief';
import { TOLD_WITHIN } from '../../crank/belief';
import type { Feel } from '../../crank/rockersToFeel';
import { rockersToFeel } from '../../crank/rockersToFeel';
import type { Sight } from '../../crank/sight';
import { peaksOf, sightOf } from '../../crank/sight';
import type { Way } from '../../crank/wayTo';
import { wayTo } from '../../crank/wayTo';
import { isOff } from '../journal/foldPosition';
import type { JobState } from '../journal/state';
import { crankOfJob } from './crankOfJob';
import type { BarInstruction, Rotation } from './instruction';

/** A turn to a sight may be off by this besides what is not known before it, degrees. */
const TO_A_SIGHT = 10;

/** A turn by eye or by the tool's turns: 10° and a tenth of the way. */
function byEye(way: number): number {
  return 10 + way / 10;
}

/** The way on to the nearest stop with something of `wanted` to do, from where the crank is. */
export function wayOn(
  sheet: EngineSheet,
  state: JobState,
  plan: BarringPlan,
  wanted: ReadonlySet<string>,
  why: BarInstruction['why'],
): BarInstruction | undefined {
  const { belief, span } = crankOfJob(sheet, state);
  if (!span) return undefined;
  const done = plan.stops.flatMap(({ set }) =>
    set.flatMap(({ id }) => (wanted.has(id) ? [] : [id])),
  );
  const way = wayTo(plan, belief, done);
  if (!way) return undefined;
  const sight = sightOf(sheet, way);
  const leg = sight && sheet.firing.order.length <= FEW && legOf(sheet, state, way, span, why);
  if (leg) return leg;
  if (sight) return toSight(sheet, state, sight, span, why, way);
  const middle = (way.least + way.most) / 2;
  if (span.length + 2 * byEye(middle) <= TOLD_WITHIN) {
    return bar(sheet, state, {
      to: way.at,
      least: way.least,
      most: way.most,
      turned: { degrees: Math.round(middle), within: Math.ceil(byEye(middle)) },
      why,
    });
  }
  // Too uncertain by eye from here: a valve's peak on the way tells the place first.
  const peak = peakBefore(sheet, span.to, way);
  return peak && toSight(sheet, state, peak, span, 'peak');
}

/** With so few cylinders no rockers tell the turn for sure, even if one of them is mistaken. */
const FEW = 2;
/** From here on a turn may be miscounted by a full one: few cylinders go it in legs, degrees. */
const LONG_TURN = 265;

/** The first leg of a long turn: to a valve's peak on the way, else a part of it by eye. */
function legOf(
  sheet: EngineSheet,
  state: JobState,
  way: Way,
  span: CrankArc & { length: number },
  why: BarInstruction['why'],
): BarInstruction | undefined {
  const middle = (way.least + way.most) / 2;
  if (middle < LONG_TURN) return undefined;
  const cycle = cycleDegrees(sheet);
  const ahead = ({ at }: Sight) => wrap(at - span.to, cycle);
  const [peak] = peaksOf(sheet)
    .filter((each) => ahead(each) > 0 && ahead(each) + span.length < LONG_TURN)
    .sort((a, b) => ahead(b) - ahead(a));
  if (peak) return toSight(sheet, state, peak, span, 'peak');
  const leg = middle / Math.ceil(middle / LONG_TURN + 0.01);
  const turned = { degrees: Math.round(leg), within: Math.ceil(byEye(leg)) };
  const least = Math.round(leg);
  return bar(sheet, state, { least, most: least, turned, why });
}

/** The last peak before a stop from which the way to it can be told by eye; else the next. */
function peakBefore(sheet: EngineSheet, from: number, way: Way): Sight | undefined {
  const cycle = cycleDegrees(sheet);
  const ahead = (at: number) => wrap(at - from, cycle);
  const peaks = peaksOf(sheet).sort((a, b) => ahead(b.at) - ahead(a.at));
  const before = peaks.find(({ at }) => ahead(at) < way.least);
  return before ?? peaks[peaks.length - 1];
}

function toSight(
  sheet: EngineSheet,
  state: JobState,
  sight: Sight,
  span: CrankArc & { length: number },
  why: BarInstruction['why'],
  way?: Way,
): BarInstruction {
  const least = wrap(sight.at - span.to, cycleDegrees(sheet));
  const most = least + span.length;
  return bar(sheet, state, {
    to: way?.at ?? sight.at,
    least,
    most,
    sight: sight.seen,
    turned: {
      degrees: Math.round((least + most) / 2),
      within: Math.ceil((most - least) / 2) + TO_A_SIGHT,
    },
    why,
  });
}

/**
 * The way on while the place is not told: to whichever mark comes first where nothing was seen
 * since the last turn, else to a valve's peak, which tells it by itself.
 */
export function wayToFind(
  sheet: EngineSheet,
  state: JobState,
  plan: BarringPlan | undefined,
  wanted: ReadonlySet<string>,
): BarInstruction | undefined {
  const marked = (sheet.marks ?? []).length > 0;
  const peak = peakForStops(sheet, plan, wanted);
  const unknown = { turned: { degrees: null }, why: 'find' } as const;
  if (marked && (state.crank.history.length === 0 || !peak)) {
    return bar(sheet, state, { ...unknown, sight: 'any-mark' });
  }
  if (!peak) return undefined;
  return bar(sheet, state, { ...unknown, to: peak.at, sight: peak.seen });
}

/** The valve whose peak stands nearest before a stop with something left to do. */
function peakForStops(
  sheet: EngineSheet,
  plan: BarringPlan | undefined,
  wanted: ReadonlySet<string>,
): Sight | undefined {
  const cycle = cycleDegrees(sheet);
  const stops = (plan?.stops ?? []).filter(({ set }) => set.some(({ id }) => wanted.has(id)));
  const after = ({ at }: Sight) =>
    Math.min(cycle, ...stops.map((stop) => wrap(stop.at - at, cycle)));
  const [nearest] = peaksOf(sheet).sort((a, b) => after(a) - after(b));
  return nearest;
}

function bar(
  sheet: EngineSheet,
  state: JobState,
  way: Omit<BarInstruction, 'do' | 'feel' | 'rotation'>,
): BarInstruction {
  const rotation = rotationOf(sheet, state);
  return {
    do: 'bar',
    ...way,
    feel: way.to === undefined ? NOBODY : feelBeside(feelAt(sheet, state, way.to), way.sight),
    ...(rotation && { rotation }),
  };
}

const NOBODY: Feel = { loose: [], firm: [] };

/** A valve that is seen at its peak is not felt as well: the second look would replace the first. */
function feelBeside({ loose, firm }: Feel, sight: BarInstruction['sight']): Feel {
  const seen = sight && sight !== 'any-mark' && 'id' in sight ? sight.id : undefined;
  return { loose: loose.filter((id) => id !== seen), firm: firm.filter((id) => id !== seen) };
}

/** The rockers to feel at an angle, those that are off left out. */
export function feelAt(sheet: EngineSheet, state: JobState, at: number): Feel {
  const { loose, firm } = rockersToFeel(sheet, at);
  const told = (ids: readonly string[]) => ids.filter((id) => !isOff(state, id));
  return { loose: told(loose), firm: told(firm) };
}

/** Which way the engine turns: the sheet's word, else what was said in the job. */
export function rotationOf(sheet: EngineSheet, { rotation }: JobState): Rotation | undefined {
  return sheet.rotation ?? rotation;
}
