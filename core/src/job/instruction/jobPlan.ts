import { rockersAt } from '../../barring/assembly';
import type { BarringPlan, ChartPlace, Stop } from '../../barring/barringPlan';
import { marginAt } from '../../barring/assembly';
import { sumOf, turnsOf } from '../../barring/sites';
import { planWork } from '../../crank/planWork';
import { adjustersOf } from '../../engine/adjusters';
import { cycleDegrees } from '../../engine/firing';
import type { EngineSheet } from '../../engine/sheet';
import { rememberBy, rememberPair } from '../../remember';
import type { JobAct } from '../journal/events';
import { underWay } from '../journal/planAnew';
import { isInScope } from '../journal/scope';
import type { JobSetting } from '../journal/setting';
import type { JobState, KeptPlan } from '../journal/state';
import { crankOfJob } from './crankOfJob';
import type { Result } from '../../result';
import { isRefused } from '../../result';

/** The method a job is worked by: the one it began with, or the one chosen since. */
export function methodOf({ head }: Pick<JobSetting, 'head'>, state: Pick<JobState, 'method'>) {
  return state.method ?? head.method;
}

/**
 * The stops of the job: as its journal keeps them, else as they would be planned now. They are
 * known by their angles and walked in the order in which the crank meets what is left.
 */
export function jobPlan(setting: JobSetting, state: JobState): Result<BarringPlan> {
  const { plan } = state;
  if (plan) return followed(setting.sheet, withChartPlaces(plan, byChart(state)));
  return planNow(setting, state);
}

/** The last plan of each sheet: a tap asks for it several times, and it seldom changes. */
const made = new WeakMap<EngineSheet, { key: string; plan: Result<BarringPlan> }>();

function planNow(setting: JobSetting, state: JobState): Result<BarringPlan> {
  const { sheet } = setting;
  const startAt = crankOfJob(sheet, state).span?.from;
  const ids = setIn(sheet, state);
  const key = `${methodOf(setting, state)} ${startAt ?? ''} ${ids?.join(' ') ?? ''}`;
  const before = made.get(sheet);
  if (before?.key === key) return before.plan;
  const plan = planWork(sheet, { method: methodOf(setting, state), startAt, ids });
  made.set(sheet, { key, plan });
  return plan;
}

/** What the stops are for, where it is not all: what the job is about, and what was begun before. */
function setIn(sheet: EngineSheet, state: JobState): string[] | undefined {
  if (!state.scope?.kinds) return undefined;
  const isUnderWay = underWay(state);
  return adjustersOf(sheet)
    .map(({ id }) => id)
    .filter((id) => isInScope(state, id) || isUnderWay(id));
}

/** What a person sets where the manual's chart has it, off its condition. */
function byChart({ plan, adjusters }: JobState): ChartPlace[] {
  return (plan?.moved ?? []).filter(({ id }) => adjusters[id]?.placed?.stop !== undefined);
}

/** The plan of the journal, what is set by the chart put back to where the chart has it. */
const withChartPlaces = rememberBy(
  (plan: KeptPlan, placed: readonly ChartPlace[]): KeptPlan => {
    if (placed.length === 0) return plan;
    const ids = new Set(placed.map(({ id }) => id));
    const stops = plan.stops.map((stop) => ({
      ...stop,
      set: stop.set.filter((id) => !ids.has(id)),
    }));
    for (const { id, ...place } of placed) {
      const known = stops.find(({ at }) => at === place.at);
      if (known) known.set.push(id);
      else stops.push({ ...place, set: [id] });
    }
    const kept = stops.filter(({ set }) => set.length > 0).sort((a, b) => a.at - b.at);
    return { ...plan, stops: kept };
  },
  (placed) => placed.map(({ id }) => id).join(' '),
);

/** The plan with all that follows from the stops that the journal keeps. */
const followed = rememberPair((sheet: EngineSheet, plan: KeptPlan): BarringPlan => {
  const cycle = cycleDegrees(sheet);
  const adjusters = adjustersOf(sheet);
  const turns = turnsOf(
    plan.stops.map(({ at }) => at),
    cycle,
  );
  const margins: number[] = [];
  const stops = plan.stops.map(({ at, mark, watch, set }, i): Stop => ({
    at,
    turn: turns[i] ?? 0,
    ...(mark !== undefined && { mark }),
    ...(watch && { watch }),
    ...rockersAt(adjusters, at, cycle),
    set: set.flatMap((id) => {
      const adjuster = adjusters.find((each) => each.id === id);
      const margin = adjuster && marginAt(adjuster, at, cycle);
      if (margin === undefined) return [];
      margins.push(margin);
      return [{ id, margin }];
    }),
  }));
  const leftOver = plan.unserved.map((id) => ({ id, reason: '', at: null }));
  const smallestMargin = margins.length > 0 ? Math.min(...margins) : null;
  return { cycle, stops, smallestMargin, spare: null, totalTurn: sumOf(turns), leftOver };
});

/**
 * What a phone writes down by itself as soon as it follows: the rules that the job is judged by,
 * and the plan once the place is first told. Every phone makes the same, and the first counts.
 */
export function dueActs(setting: JobSetting, state: JobState): JobAct[] {
  if (state.signed || state.abandoned) return [];
  return [...rulesDue(setting, state), ...planDue(setting, state)];
}

function rulesDue({ policy, round, aim, rates }: JobSetting, { rules }: JobState): JobAct[] {
  if (rules) return [];
  const aims = aim && rates && { aim, rates };
  return [{ type: 'rules.kept', policy, ...(round && { round }), ...aims }];
}

function planDue(setting: JobSetting, state: JobState): JobAct[] {
  if (state.plan || !crankOfJob(setting.sheet, state).belief.told) return [];
  const plan = planNow(setting, state);
  if (isRefused(plan)) return [];
  const stops = plan.stops.map(({ at, mark, watch, set }) => ({
    at,
    ...(mark !== undefined && { mark }),
    ...(watch && { watch }),
    set: set.map(({ id }) => id),
  }));
  const unserved = plan.leftOver.map(({ id }) => id);
  const { moved } = plan;
  const method = methodOf(setting, state);
  return [{ type: 'plan.made', method, stops, unserved, ...(moved && { moved }) }];
}
