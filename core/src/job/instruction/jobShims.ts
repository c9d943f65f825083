import type { BarringPlan } from '../../barring/barringPlan';
import { entryOf } from '../../engine/adjusterEntry';
import { adjustersOf } from '../../engine/adjusters';
import { wrap } from '../../engine/angle';
import type { EngineSheet, Spec } from '../../engine/sheet';
import type { SettingSpec } from '../../gauging/toSet';
import { verdictOf } from '../../gauging/judgeReading';
import { middleOf } from '../../gauging/reading';
import type { ShimAct } from '../../gauging/shimOrder';
import { shimOrder } from '../../gauging/shimOrder';
import type { ShimPlan, ShimRow } from '../../gauging/shims';
import { isUnread } from '../journal/begun';
import type { JobAct } from '../journal/events';
import { isInScope } from '../journal/scope';
import type { JobSetting } from '../journal/setting';
import { shimsInHand, shimsLieOpen, shimsUnderWay } from '../journal/shimsInHand';
import type { AdjusterState, JobState, TakenReading } from '../journal/state';
import { isMarked, isOutside, isToReadOn, standingReading } from './adjusterStep';
import { entryAtWork } from './aimAt';
import { heldAtHand } from './atHand';
import { crankOfJob } from './crankOfJob';

/**
 * The adjusters that are set by a shim in this job: none where it only checks. What was begun is
 * finished whatever the job is about since, as another phone may have said meanwhile.
 */
export function shimIds(sheet: EngineSheet, state: JobState): string[] {
  const isUnderWay = shimsUnderWay(state);
  const isAsked = (id: string) => !state.scope?.checkOnly && isInScope(state, id);
  return adjustersOf(sheet)
    .filter(({ id, entry }) => entry.method === 'shim' && (isAsked(id) || isUnderWay(id)))
    .map(({ id }) => id);
}

/**
 * The buckets that have no shim, for it went into another, and can be reached where the crank stands:
 * nothing is barred, and nothing else begun, before each has its new one or a stand-in.
 */
export function emptyHere(sheet: EngineSheet, state: JobState): string[] {
  const { fromOf, isEmpty } = shimsInHand(state);
  const empty = [...fromOf.keys()].filter((id) => isEmpty(id) && !state.adjusters[id]?.unset);
  if (empty.length === 0) return [];
  const { settable } = crankOfJob(sheet, state);
  return empty.filter((id) => settable.has(id));
}

/**
 * The buckets as measured, for `planShims`: the shim now in, and the gap by the middle of its
 * reading. Of one that was fitted and not read since, the gap is reckoned from the reading before.
 * Buckets that cannot be set, are not measured or stand at no stop are left out.
 */
export function shimRows(setting: JobSetting, state: JobState, plan: BarringPlan): ShimRow[] {
  const { sheet } = setting;
  const places = walkFrom(sheet, state, plan);
  return shimIds(sheet, state).flatMap((id) => {
    const { found, shim, fitted, left, again, unset } = state.adjusters[id] ?? {};
    const spec = entryAtWork(setting, state, id)?.spec;
    const stop = places.get(id);
    const gap = again && middleOf(again) !== undefined ? again : (left ?? found);
    const middle = gap && middleOf(gap);
    if (unset || !spec || !gap || shim === undefined || middle === undefined || stop === undefined)
      return [];
    const old = fitted ?? shim;
    const measured = isUnread(state.adjusters[id])
      ? Math.round(middle) + shim - old
      : asJudged(spec, gap, Math.round(middle));
    return [{ id, old, measured, spec: wellInside(spec), stop }];
  });
}

/**
 * What is recorded where shims are fitted as planned: the plan, and that what it leaves as it is
 * is finished, where that was read.
 */
export function shimPlanTaken(shims: ShimPlan, state: JobState): JobAct[] {
  const { rows, outside } = shims;
  const stays = rows.filter(({ id, from }) => from === id && !outside.includes(id));
  const isDone = (id: string) =>
    state.adjusters[id]?.painted && standingReading(state.adjusters[id]);
  const known = stays.filter(({ id }) => !isDone(id) && !isUnread(state.adjusters[id]));
  return [
    { type: 'shims.planned', ...shims },
    ...known.flatMap(({ id }): JobAct[] => [
      { type: 'adjuster.kept', adjuster: id },
      { type: 'adjuster.painted', adjuster: id },
    ]),
  ];
}

/** Nearer to a limit than this a blade that counts as the limit may say outside, µm. */
const CLEAR_OF_LIMITS = 10;

/**
 * The limits to plan by: a shim that leaves the gap on the very edge would be judged outside by
 * one reading and inside by the next, and be planned for ever.
 */
function wellInside({ low, high, ...spec }: SettingSpec): SettingSpec {
  const room = Math.min(spec.target - low, high - spec.target);
  const clear = room >= 3 * CLEAR_OF_LIMITS ? CLEAR_OF_LIMITS : 0;
  return { ...spec, low: low + clear, high: high - clear };
}

/** A gap that is judged outside its limits, though by a hair, is planned as one that is. */
function asJudged(spec: Spec, gap: TakenReading, measured: number): number {
  const verdict = verdictOf(spec, gap);
  if (verdict === 'tight') return Math.min(measured, spec.low - 1);
  return verdict === 'loose' ? Math.max(measured, spec.high + 1) : measured;
}

/** The place of each adjuster's stop in the walk from where the crank stands, 0 where it is. */
function walkFrom(sheet: EngineSheet, state: JobState, plan: BarringPlan): Map<string, number> {
  const { span } = crankOfJob(sheet, state);
  const from = span?.from ?? plan.stops[0]?.at ?? 0;
  const inWalk = [...plan.stops].sort(
    (a, b) => wrap(a.at - from, plan.cycle) - wrap(b.at - from, plan.cycle),
  );
  return new Map(inWalk.flatMap(({ set }, place) => set.map(({ id }) => [id, place] as const)));
}

/**
 * What is still to be done with the shims as planned, in the order in which the crank meets the
 * buckets from where it stands now: the rows stay, the order is made anew.
 */
function shimActsLeft(sheet: EngineSheet, state: JobState, plan: BarringPlan): ShimAct[] {
  const { shims } = state;
  if (!shims) return [];
  const places = walkFrom(sheet, state, plan);
  return shimOrder(
    shims.rows.filter(({ id }) => !state.adjusters[id]?.unset),
    (id) => places.get(id) ?? 0,
    shims.put,
  );
}

/** What the shims ask for next. */
export type ShimStage =
  /** Work out which goes where, the first time or anew. */
  | { stage: 'plan' }
  /** Nothing more at this place of the crank: bar to where these are. */
  | { stage: 'bar'; ids: string[] }
  /** Fit these, all where the crank stands. */
  | { stage: 'fit'; acts: ShimAct[] }
  /** Read a fitted bucket again, and finish it. */
  | { stage: 'read'; id: string }
  | { stage: 'done' };

/** Where the work on the shims stands: planned, fitted stop by stop, each stop read again. */
export function shimStage(sheet: EngineSheet, state: JobState, plan: BarringPlan): ShimStage {
  const asked = shimIds(sheet, state);
  const ids = asked.filter(
    (id) =>
      !state.adjusters[id]?.unset &&
      !staysUnknown(sheet, state, id) &&
      !isTheRounds(sheet, state, id),
  );
  const acts = shimActsLeft(sheet, state, plan);
  const waiting = new Set(acts.map(({ id }) => id));
  const closed = ids.filter((id) => !waiting.has(id));
  const outside = closed.filter(
    (id) => isOutside(sheet, state, id) && !isToReadOn(sheet, state, id),
  );
  const open = closed.filter((id) => !isShimDone(sheet, state, id) && !outside.includes(id));
  if (acts.length === 0 && open.length === 0 && outside.length === 0) return { stage: 'done' };
  // What lies open is closed first: only then is it known which shim is where.
  const { fromOf } = shimsInHand(state);
  // The job may be about more since, or about less.
  const other =
    ids.some((id) => !fromOf.has(id)) || [...fromOf.keys()].some((id) => !asked.includes(id));
  // That it stays as it is was taken back, or its reading: it is decided anew.
  const decided = open.filter((id) => isDecided(state, id));
  const anew = outside.length > 0 || other || decided.length < open.length;
  if (!state.shims || (anew && !shimsLieOpen(state))) {
    // Of what was read from one side alone since its shim was fitted, none can be reckoned.
    const halfRead = decided.filter((id) => isHalfRead(state.adjusters[id]));
    if (halfRead.length === 0) return { stage: 'plan' };
    return asPlanned(sheet, state, plan, { acts: [], decided: halfRead });
  }
  return asPlanned(sheet, state, plan, { acts, decided });
}

/** What comes next by the plan of shims: these acts are left, and these buckets are to be read. */
function asPlanned(
  sheet: EngineSheet,
  state: JobState,
  plan: BarringPlan,
  { acts, decided }: { acts: readonly ShimAct[]; decided: readonly string[] },
): ShimStage {
  const { fromOf, isOut, closing } = shimsInHand(state);
  const here = new Set(heldAtHand(sheet, state, plan));
  const empty = emptyHere(sheet, state);
  // By another method an empty bucket may belong to a stop further on.
  const stranded = empty.filter((id) => !here.has(id));
  if (stranded.length > 0) return { stage: 'fit', acts: stranded.map(closing) };
  // Only acts that go together are offered: what comes out of one bucket goes into the next.
  const first = acts.findIndex(
    ({ id, in: shim }) =>
      !here.has(id) || !(shim === null || isOut(id) || here.has(fromOf.get(id) ?? '')),
  );
  const now = first < 0 ? [...acts] : acts.slice(0, first);
  if (now.length > 0) return { stage: 'fit', acts: now };
  if (empty.length > 0) return { stage: 'fit', acts: empty.map(closing) };
  const unread = decided.find((id) => here.has(id));
  if (unread !== undefined) return { stage: 'read', id: unread };
  const next = acts[0]?.id;
  if (next === undefined) return { stage: 'bar', ids: [...decided] };
  // Where it stands at the bucket already, it is the shim for it that lies further on.
  const awaited = here.has(next) ? (fromOf.get(next) ?? next) : next;
  return { stage: 'bar', ids: [awaited, ...decided] };
}

/** Whether a bucket is finished, by a reading that stands. */
export function isShimDone(sheet: EngineSheet, state: JobState, id: string): boolean {
  return isMarked(state.adjusters[id], entryOf(sheet, id) ?? {});
}

/** Whether a bucket was left as it is, inside its limits, and nobody asked which shim is in it. */
function staysUnknown(sheet: EngineSheet, state: JobState, id: string): boolean {
  const isKnown = state.adjusters[id]?.shim !== undefined;
  return !isKnown && isShimDone(sheet, state, id) && !isOutside(sheet, state, id);
}

/** Whether the round has begun to read it, and reads it on before anything is planned. */
function isTheRounds(sheet: EngineSheet, state: JobState, id: string): boolean {
  return state.adjusters[id]?.again !== undefined && isToReadOn(sheet, state, id);
}

function isHalfRead({ left }: AdjusterState = {}): boolean {
  return left !== undefined && middleOf(left) === undefined;
}

/** Whether it was said of a bucket that it stays as it is, or a shim was fitted in it. */
function isDecided({ adjusters }: JobState, id: string): boolean {
  const { kept, fitted } = adjusters[id] ?? {};
  return kept === true || typeof fitted === 'number';
}
