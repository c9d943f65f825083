import type { BarringPlan, Refused } from '../../barring/barringPlan';
import { isRefused } from '../../barring/barringPlan';
import type { EngineSheet } from '../../engine/sheet';
import { planWork } from '../../barring/planWork';
import {
  closingItems,
  missingAtRun,
  missingAtStop,
  missingBeforeStart,
  missingInRound,
  missingIsolations,
  missingReady,
  missingShims,
  missingTorque,
  sequencesOf,
} from './gates';
import type { JobSetting } from '../journal/setting';
import { shimIds } from './jobShims';
import type { JobState } from '../journal/state';

export type StepId =
  | 'why'
  | 'ready'
  | 'unable'
  | 'open'
  | 'torque'
  | 'find'
  | 'stop'
  | 'shims'
  | 'round'
  | 'close'
  | 'able'
  | 'run';

/** A step of the job: what it still misses, and why it is closed if it is. */
export type Step = {
  id: StepId;
  title: string;
  /** For a stop: its place in the plan. */
  stop?: number;
  /** What must be done before the step is complete; empty when it is. */
  missing: string[];
  /** Why nothing may be recorded here yet. */
  closed?: string;
};

/** The stops of the job, begun with the turn on which the crank was found. */
export function jobPlan({ head, sheet }: JobSetting, state: JobState): BarringPlan | Refused {
  const key = `${head.method} ${state.foundAt ?? ''}`;
  const before = plans.get(sheet);
  if (before?.key === key) return before.plan;
  const plan = planWork(sheet, { method: head.method, startAt: state.foundAt });
  plans.set(sheet, { key, plan });
  return plan;
}

/** The last plan of each sheet: a tap asks for it several times, and it seldom changes. */
const plans = new WeakMap<EngineSheet, { key: string; plan: BarringPlan | Refused }>();

/** The steps of the job in the order of the work. `now` is an ISO instant. */
export function jobSteps(setting: JobSetting, state: JobState, now: string): Step[] {
  const before = stepsBefore(setting, state, now);
  const plan = jobPlan(setting, state);
  const missing = state.foundAt === undefined ? ['Settle where the crank is.'] : [];
  const shut = comingOff(state) ?? whatBars(before);
  const find = step('find', 'Find position', isRefused(plan) ? [plan.refused] : missing, shut);
  return [
    ...before,
    find,
    ...stepsAtWork(setting, state, isRefused(plan) ? [] : plan.stops, shut ?? whatBars([find])),
    ...stepsAfter(setting, state),
  ].map((each, i, all) => afterWork(each, all.slice(0, i)));
}

function stepsBefore({ sheet }: JobSetting, state: JobState, now: string): Step[] {
  const steps = [
    step('why', 'Why', state.why ? [] : ['Say why the engine is opened.']),
    step('ready', 'Ready', missingReady(sheet, state, now)),
    step('unable', 'Make unable to start', missingIsolations(sheet, state)),
  ];
  const open = state.opened ? [] : ['Covers off, everything noted.'];
  steps.push(step('open', 'Open up', open, whatBars(steps)));
  if (sequencesOf(sheet, 'first').length > 0) {
    steps.push(
      step('torque', 'Torque first', missingTorque(sheet, state, 'first'), whatBars(steps)),
    );
  }
  return steps;
}

const BARS_THE_WAY: Partial<Record<StepId, string>> = {
  unable: 'Make the engine unable to start first.',
  open: 'Open up first.',
  torque: 'Torque first: lash after that, never before.',
  find: 'Find the crank’s position first.',
};

/** Why what comes next waits: the first of these steps that must be complete and is not. */
function whatBars(earlier: readonly Step[]): string | undefined {
  return earlier
    .filter(({ missing }) => missing.length > 0)
    .flatMap(({ id }) => BARS_THE_WAY[id] ?? [])[0];
}

/** Nothing is barred any more once the first isolation is undone, unless that is taken back. */
function comingOff({ undone, signed }: JobState): string | undefined {
  if (signed || Object.keys(undone).length === 0) return undefined;
  return 'Isolations are coming off: undo that before anything is barred again.';
}

function stepsAtWork(
  setting: JobSetting,
  state: JobState,
  stops: BarringPlan['stops'],
  lost: string | undefined,
): Step[] {
  const atStops = stops.map((stop, i): Step => {
    const missing = missingAtStop(setting, stop, state, i);
    return { ...step('stop', `Stop ${i + 1} of ${stops.length}`, missing, lost), stop: i };
  });
  const unmeasured = stops.some((stop) => missingAtStop(setting, stop, state).length > 0);
  const notYet = lost ?? (unmeasured ? 'Finish every stop first.' : undefined);
  const ids = shimIds(setting.sheet);
  const shims = ids.length > 0 ? missingShims(state, ids) : [];
  const round = missingInRound(setting, stops, state);
  const unset = notYet ?? (shims.length > 0 ? 'Fit every shim first.' : undefined);
  return [
    ...atStops,
    ...(ids.length > 0 ? [step('shims', 'Shims', shims, notYet)] : []),
    step('round', 'Once round again', round, unset),
  ];
}

function stepsAfter({ sheet }: JobSetting, state: JobState): Step[] {
  const open = closingItems(sheet, state).filter(({ id }) => !state.closing[id]);
  const close = [...open.map(({ text }) => text), ...missingTorque(sheet, state, 'close')];
  return [
    step('close', 'Close up', close),
    step('able', 'Make able to start', missingBeforeStart(sheet, state)),
    step('run', 'Run and sign', missingAtRun(state)),
  ];
}

const AFTER: Partial<Record<StepId, [before: StepId, why: string]>> = {
  close: ['round', 'Go once round again first.'],
  able: ['close', 'Close up first.'],
  run: ['able', 'Make it able to start first.'],
};

/** The steps at the end wait for the one before them. */
function afterWork(each: Step, earlier: readonly Step[]): Step {
  const [before, why] = AFTER[each.id] ?? [];
  const waits = earlier.some(({ id, missing }) => id === before && missing.length > 0);
  return waits && why !== undefined ? { ...each, closed: why } : each;
}

function step(id: StepId, title: string, missing: string[], closed?: string): Step {
  return { id, title, missing, ...(closed !== undefined && { closed }) };
}

/** The place of the present step: the first that misses something, else the last. */
export function presentStep(steps: readonly Step[]): number {
  const first = steps.findIndex(({ missing }) => missing.length > 0);
  return first < 0 ? steps.length - 1 : first;
}

/** Whether the crank is known to stand at this stop now. */
export function standsAt(state: JobState, stop: number): boolean {
  return state.lastStop?.stop === stop;
}
