import type { Refused } from '../../result';
import { marginAt } from '../../barring/assembly';
import type { BarringPlan, ChartPlace } from '../../barring/barringPlan';
import { entryOf } from '../../engine/adjusterEntry';
import { adjustersOf } from '../../engine/adjusters';
import { cycleDegrees } from '../../engine/firing';
import { readId } from '../../engine/kinds';
import type { EngineSheet } from '../../engine/sheet';
import { measureOf } from '../../gauging/measure';
import { rememberEach } from '../../remember';
import { firstRockers } from '../../crank/mostTelling';
import type { Feel } from '../../crank/rockersToFeel';
import { tellingCylinders } from '../../crank/rockersToFeel';
import { isClosing } from '../journal/closing';
import { isOff } from '../journal/foldPosition';
import { isPlaced } from '../journal/placed';
import type { JobSetting } from '../journal/setting';
import type { JobState } from '../journal/state';
import { adjusterInstruction } from './adjusterInstruction';
import { isToReadOn } from './adjusterStep';
import { heldAtHand, stopsAtHand } from './atHand';
import { crankOfJob } from './crankOfJob';
import { isFinished, missingTemperature, openChartPlaces, unservedOf } from './gates';
import type { Instruction, StepId } from './instruction';
import { jobPlan } from './jobPlan';
import { emptyHere, shimIds, shimStage } from './jobShims';
import { unreadOf } from './round';
import { feelAt, rotationOf, wayOn, wayToFind } from './wayOn';
import { isRefused } from '../../result';

type Bare<T> = T extends unknown ? Omit<T, 'step' | 'missing'> : never;
/** An instruction before it is known what its step misses. */
export type AtStep = Bare<Instruction> & { step: StepId };

/** What is asked for at the rockers now, and which step that is. */
export type Wanted = { step: 'stop' | 'shims' | 'round'; ids: string[] };

/**
 * What the crank is barred for: the adjusters that are not finished, then the buckets whose
 * shims are fitted or read again, then what the round still reads. None when all is done. Where a
 * bucket has no shim, that comes before all else.
 */
export function wantedOf(setting: JobSetting, state: JobState, plan: BarringPlan): Wanted {
  const { sheet } = setting;
  const planned = plan.stops.flatMap(({ set }) => set.map(({ id }) => id));
  const open = planned.filter((id) => !isFinished(sheet, state, id));
  if (open.length > 0 && emptyHere(sheet, state).length === 0) {
    return { step: 'stop', ids: unblocked(sheet, open) };
  }
  if (shimIds(sheet, state).length > 0) {
    const stage = shimStage(sheet, state, plan);
    if (stage.stage === 'bar') return { step: 'shims', ids: stage.ids.slice(0, 1) };
    if (stage.stage === 'read') return { step: 'shims', ids: [stage.id] };
    if (stage.stage === 'fit') return { step: 'shims', ids: stage.acts.map(({ id }) => id) };
    if (stage.stage === 'plan') return { step: 'shims', ids: [] };
  }
  return { step: 'round', ids: unreadOf(setting, state, plan.stops) };
}

/** Without what must wait for other kinds of its cylinder, unless all of it waits. */
function unblocked(sheet: EngineSheet, open: readonly string[]): string[] {
  const before = waitsFor(sheet);
  if (before.size === 0) return [...open];
  const left = new Set(open);
  const free = open.filter((id) => !before.get(id)?.some((other) => left.has(other)));
  return free.length > 0 ? free : [...open];
}

/** What each adjuster that must wait for other kinds of its cylinder waits for. */
const waitsFor = rememberEach((sheet: EngineSheet): ReadonlyMap<string, readonly string[]> => {
  const made = new Map<string, readonly string[]>();
  for (const { id, cylinder, entry } of adjustersOf(sheet)) {
    const { after = [] } = entry;
    const before = adjustersOf(sheet).filter(
      (other) => other.cylinder === cylinder && after.includes(other.kind) && other.id !== id,
    );
    if (before.length > 0)
      made.set(
        id,
        before.map((other) => other.id),
      );
  }
  return made;
});

/** The next thing at the rockers, from finding the place to the end of the round. */
export function atWork(setting: JobSetting, state: JobState, now: string): AtStep | undefined {
  const { sheet } = setting;
  const plan = jobPlan(setting, state);
  if (isRefused(plan)) {
    return { step: 'find', do: 'answer', ask: 'method', why: plan };
  }
  const wanted = wantedOf(setting, state, plan);
  const nothing = wanted.ids.length === 0 && !(wanted.step === 'shims');
  const placed = placedHere(setting, state);
  // Once closing up has begun nobody finds the crank for a plan by which nothing is left to do.
  if (nothing && placed.length === 0 && (state.plan || isClosing(state)))
    return endOfWork(setting, state, wanted);
  if (!rotationOf(sheet, state)) {
    return { step: 'find', do: 'answer', ask: 'rotation' };
  }
  if (state.crank.doubted) return { step: 'find', do: 'answer', ask: 'turned' };
  // Whoever placed it answers for where the crank stands, known or not: it comes before any turn.
  if (placed.length > 0 && emptyHere(sheet, state).length === 0) {
    const at = lacksRest(setting, state, now) ?? workOn(setting, state, 'stop', placed);
    if (at) return at;
  }
  const { belief } = crankOfJob(sheet, state);
  if (!belief.told) return findPlace(setting, state, plan, wanted);
  const [unserved] = unservedOf(sheet, state);
  if (unserved !== undefined) return askUnserved(setting, unserved);
  const [place] = openChartPlaces(state);
  if (place) return askOfChart(setting, place);
  if (wanted.step === 'shims' && shimStage(sheet, state, plan).stage === 'plan') {
    return { step: 'shims', do: 'fit', plan: true };
  }
  // What is open is never closed over, though nobody knows how it is come by.
  const open = { step: 'find', do: 'answer', ask: 'method', why: NO_WAY } as const;
  return atPlace(setting, state, plan, wanted, now) ?? open;
}

function askUnserved({ sheet }: JobSetting, id: string): AtStep {
  const entry = entryOf(sheet, id);
  const hasFigure = entry?.spec !== undefined || readId(id).kind === 'bridge';
  const why = hasFigure ? 'no-stop' : 'no-figure';
  // Shims are planned for buckets that the crank is barred to.
  const mayPlace = hasFigure && entry?.method !== 'shim';
  return { step: 'find', do: 'answer', ask: 'unserved', id, why, mayPlace };
}

function askOfChart({ sheet }: JobSetting, { id, at }: ChartPlace): AtStep {
  const adjuster = adjustersOf(sheet).find((each) => each.id === id);
  const margin = (adjuster && marginAt(adjuster, at, cycleDegrees(sheet))) ?? 0;
  return { step: 'find', do: 'answer', ask: 'chart', id, at, margin };
}

/** When nothing is asked for at any stop: what nobody answered for yet, then the round's end. */
function endOfWork(setting: JobSetting, state: JobState, { step }: Wanted): AtStep | undefined {
  const [unserved] = unservedOf(setting.sheet, state);
  if (unserved !== undefined) return askUnserved(setting, unserved);
  if (step === 'round' && !state.roundDone) return { step: 'round', do: 'round' };
  return undefined;
}

/** While the place is not told: what to look at again, which rockers to feel, or where to bar. */
function findPlace(
  { sheet }: JobSetting,
  state: JobState,
  plan: BarringPlan,
  { ids, step }: Wanted,
): AtStep {
  const { belief } = crankOfJob(sheet, state);
  if (belief.clash) return { step: 'find', do: 'look', again: belief.clash };
  const { odd, next } = belief;
  const target = targetOf(sheet, state);
  // At a stop that was barred to all this is its check, and part of it.
  const at = state.plan && state.crank.target !== undefined ? step : 'find';
  if (target !== undefined) {
    const feel = unfelt(state, feelAt(sheet, state, target));
    if (count(feel) > 0) return { step: at, do: 'feel', why: 'check', feel, odd };
  }
  // A cylinder that was begun is felt to its end before another is asked.
  const cylinder = halfFelt(sheet, state) ?? next;
  if (cylinder !== undefined) {
    const loose = unfeltOf(sheet, state, cylinder);
    if (loose.length > 0) {
      const feel = { loose, firm: [] };
      return { step: at, do: 'feel', why: 'narrow', feel, cylinder, odd };
    }
  }
  const more = moreToFeel(sheet, state, target);
  if (more.length > 0) {
    return { step: at, do: 'feel', why: 'narrow', feel: { loose: more, firm: [] }, odd };
  }
  const way = wayToFind(sheet, state, plan, new Set(ids));
  if (way) return { step: 'find', ...way };
  return { step: 'find', do: 'answer', ask: 'method', why: NO_SIGHT };
}

/** Cylinders that are felt together where no single one could decide: it may be mistaken. */
const TOGETHER = 2;

/** Felt by rockers alone, so many cylinders are enough before a valve's peak is waited for. */
const ENOUGH = 4;

/**
 * The rockers of two more cylinders that tell the turn here. One by itself would leave as much,
 * for it may be mistaken; two of them can outweigh a rocker that is odd. Where it is not known
 * where to look, whoever began with rockers goes on with cylinders far apart in firing order.
 */
function moreToFeel(sheet: EngineSheet, state: JobState, at: number | undefined): string[] {
  const { order } = sheet.firing;
  const felt = order.filter((cylinder) => unfeltOf(sheet, state, cylinder).length === 0);
  if (at === undefined && (felt.length === 0 || felt.length >= ENOUGH)) return [];
  const apart = [...order].sort((a, b) => (order.indexOf(a) % 2) - (order.indexOf(b) % 2));
  return (at === undefined ? apart : tellingCylinders(sheet, at))
    .map((cylinder) => unfeltOf(sheet, state, cylinder))
    .filter((ids) => ids.length > 0)
    .slice(0, TOGETHER)
    .flat();
}

/** The first rockers of a cylinder that were not felt since the last turn and are not off. */
function unfeltOf(sheet: EngineSheet, state: JobState, cylinder: number): string[] {
  const own = firstRockers(sheet, cylinder).filter(({ id }) => !isOff(state, id));
  return unfelt(state, { loose: own.map(({ id }) => id), firm: [] }).loose;
}

/** A cylinder of which one rocker was felt where the crank stands, and another not yet. */
function halfFelt(sheet: EngineSheet, state: JobState): number | undefined {
  return sheet.firing.order.find((cylinder) => {
    const all = firstRockers(sheet, cylinder).filter(({ id }) => !isOff(state, id)).length;
    const left = unfeltOf(sheet, state, cylinder).length;
    return left > 0 && left < all;
  });
}

const NO_SIGHT: Refused = {
  refused: 'no-sight',
  says: 'The sheet gives neither a mark nor a lobe of any valve: there is nothing to find the crank by.',
};

const NO_WAY: Refused = {
  refused: 'no-way',
  says: 'Something is left to do, and no stop of this plan leads to it.',
};

/** The angle that the crank should stand at: where it was turned to, or a mark seen there. */
function targetOf(sheet: EngineSheet, { crank }: JobState): number | undefined {
  const turned = crank.history.findLastIndex((entry) => 'turned' in entry);
  for (const entry of crank.history.slice(turned + 1)) {
    if (!('seen' in entry) || !('mark' in entry.seen)) continue;
    const { mark } = entry.seen;
    if (crank.target === undefined) return sheet.marks?.find(({ name }) => name === mark)?.at;
  }
  return crank.target;
}

/** What of these was not felt since the crank was last turned. */
function unfelt({ crank }: JobState, { loose, firm }: Feel): Feel {
  const turned = crank.history.findLastIndex((entry) => 'turned' in entry);
  const felt = new Set(
    crank.history
      .slice(turned + 1)
      .flatMap((entry) => ('seen' in entry && 'id' in entry.seen ? [entry.seen.id] : [])),
  );
  const left = (ids: readonly string[]) => ids.filter((id) => !felt.has(id));
  return { loose: left(loose), firm: left(firm) };
}

function count({ loose, firm }: Feel): number {
  return loose.length + firm.length;
}

/** The place is told: feel the rockers, do what may be done here, or bar on. */
function atPlace(
  setting: JobSetting,
  state: JobState,
  plan: BarringPlan,
  wanted: Wanted,
  now: string,
): AtStep | undefined {
  const { sheet } = setting;
  if (emptyHere(sheet, state).length > 0) return workOn(setting, state, wanted.step, []);
  const here = crankOfJob(sheet, state).settable;
  const stops = stopsAtHand(sheet, state, plan);
  const ids = offeredOf(setting, state, plan, wanted);
  const [stop] = stops;
  if (ids.length === 0 || !stop) {
    const ahead = wanted.ids.length > 0 ? new Set(wanted.ids) : here;
    const why = wanted.step === 'stop' ? 'stop' : wanted.step;
    const way = wayOn(sheet, state, plan, ahead, why);
    return way && { step: wanted.step, ...way };
  }
  const feel = unfelt(state, feelAt(sheet, state, stop.at));
  if (count(feel) > 0) {
    const { odd } = crankOfJob(sheet, state).belief;
    return { step: wanted.step, do: 'feel', why: 'check', feel, odd };
  }
  const rest = wanted.step === 'stop' ? lacksRest(setting, state, now) : undefined;
  return rest ?? workOn(setting, state, wanted.step, ids);
}

/** Before it is as cold, or as hot, as the sheet asks, nothing is read or set. */
function lacksRest({ sheet }: JobSetting, state: JobState, now: string): AtStep | undefined {
  if (missingTemperature(sheet, state, now).length === 0) return undefined;
  return { step: 'ready', do: 'answer', ask: 'temperature' };
}

/** What is offered where the crank stands: planned here, wanted, and held by the whole belief. */
export function offeredOf(
  setting: JobSetting,
  state: JobState,
  plan: BarringPlan,
  { step, ids }: Wanted,
): string[] {
  const wanted = new Set(ids);
  return (
    heldAtHand(setting.sheet, state, plan)
      .filter((id) => wanted.has(id))
      // The round is a second look: not before the crank was turned since the first.
      .filter((id) => step !== 'round' || turnedSince(state, id))
  );
}

function turnedSince({ adjusters, crank }: JobState, id: string): boolean {
  return crank.turns > (adjusters[id]?.doneAtTurn ?? -1);
}

/** What a person says may be set where the crank stands, and is not finished. */
function placedHere({ sheet }: JobSetting, state: JobState): string[] {
  return Object.keys(state.adjusters).filter((id) => {
    const byChart = state.adjusters[id]?.placed?.stop !== undefined;
    return isPlaced(state, id) && !byChart && !isFinished(sheet, state, id);
  });
}

function workOn(
  setting: JobSetting,
  state: JobState,
  step: Wanted['step'],
  ids: readonly string[],
): AtStep | undefined {
  if (step === 'shims') {
    const plan = jobPlan(setting, state);
    const stage = isRefused(plan) ? undefined : shimStage(setting.sheet, state, plan);
    if (stage?.stage === 'fit') return { step, do: 'fit', acts: stage.acts };
  }
  for (const id of ids) {
    const entry = entryOf(setting.sheet, id);
    if (step === 'round' && entry?.spec) {
      const { spec } = entry;
      const figure = { id, measure: measureOf(entry), spec, phase: 'again' as const };
      const again = state.adjusters[id]?.again;
      const anew = state.adjusters[id]?.doubted || isToReadOn(setting.sheet, state, id);
      if (!again || anew) return { step, do: 'read', ...figure };
      const tries = [spec.low, spec.high].filter(
        (at) => again.go < at && at < (again.noGo ?? at + 1),
      );
      return { step, do: 'settle', tries, ...figure };
    }
    const at = adjusterInstruction(setting, state, id);
    if (at) return { step, ...at };
  }
  return undefined;
}
