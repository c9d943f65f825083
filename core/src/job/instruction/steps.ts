import type { BarringPlan } from '../../barring/barringPlan';
import { isClosing } from '../journal/closing';
import type { JobSetting } from '../journal/setting';
import type { JobState } from '../journal/state';
import { stopsAtHand } from './atHand';
import { wantedOf } from './atWork';
import { crankOfJob } from './crankOfJob';
import {
  closingItems,
  isFinished,
  openChartPlaces,
  missingAtRun,
  missingBeforeStart,
  missingLists,
  missingTemperature,
  missingTorque,
  sequencesOf,
  unservedOf,
} from './gates';
import type { Instruction, StepId } from './instruction';
import { jobPlan } from './jobPlan';
import { lacksLock } from './lockGates';
import { isShimDone, shimIds } from './jobShims';
import type { Closed, Missing } from './missing';
import { isolationsToDo, opensAgain } from './reopening';
import { unreadOf } from './round';
import { rotationOf } from './wayOn';
import { isRefused } from '../../result';

/** A step of the job: what it still misses, and why it is closed if it is. */
export type Step = {
  id: StepId;
  title: string;
  /** For a stop: its place in the plan. */
  stop?: number;
  /** What must be done before the step is complete; empty when it is. */
  missing: Missing[];
  /** Why nothing may be recorded here yet. */
  closed?: Closed;
};

/** The steps of the job in the order of the work. `now` is an ISO instant. */
export function jobSteps(setting: JobSetting, state: JobState, now: string): Step[] {
  const again = opensAgain(setting, state);
  const before = stepsBefore(setting, state, now, again);
  const plan = jobPlan(setting, state);
  const shut = (again ? undefined : comingOff(state)) ?? whatBars(before);
  const missing = isRefused(plan)
    ? [{ code: 'method' as const, why: plan }]
    : missingPosition(setting, state);
  const find = step('find', 'Find position', missing, shut);
  return [
    ...before,
    find,
    ...stepsAtWork(setting, state, isRefused(plan) ? [] : plan.stops, now, shut),
    ...stepsAfter(setting, state),
  ].map((each, i, all) => afterWork(each, all.slice(0, i)));
}

/** What finding the place misses: nothing more once the work at the rockers is over. */
function missingPosition({ sheet }: JobSetting, state: JobState): Missing[] {
  if ((state.plan || isClosing(state)) && state.roundDone) return [];
  const missing: Missing[] = [];
  if (!rotationOf(sheet, state)) missing.push({ code: 'rotation' });
  if (state.crank.doubted) missing.push({ code: 'nobody-turned' });
  else if (!crankOfJob(sheet, state).belief.told) missing.push({ code: 'position' });
  return missing;
}

function stepsBefore({ sheet }: JobSetting, state: JobState, now: string, again: boolean): Step[] {
  const ready = [...missingTemperature(sheet, state, now), ...missingLists(sheet, state)];
  const isolations = isolationsToDo(sheet, state, again);
  const steps = [
    step('why', 'Why', state.why ? [] : [{ code: 'why' }]),
    step('ready', 'Ready', ready),
    step('unable', 'Make unable to start', [
      ...isolations.map(({ text }) => ({ code: 'item' as const, text })),
      ...(lacksLock(state, again) ? [{ code: 'lock' as const }] : []),
    ]),
  ];
  const open: Missing[] = state.opened && !again ? [] : [{ code: 'open' }];
  steps.push(step('open', 'Open up', open, whatBars(steps)));
  if (sequencesOf(sheet, 'first').length > 0) {
    const torque = missingTorque(sheet, state, 'first');
    steps.push(step('torque', 'Torque first', torque, whatBars(steps)));
  }
  return steps;
}

const BARS_THE_WAY: Partial<Record<StepId, Closed>> = {
  why: 'ready-first',
  ready: 'ready-first',
  unable: 'unable-first',
  open: 'open-first',
  torque: 'torque-first',
};

/** Why what comes next waits: the last of these steps that must be complete and is not. */
function whatBars(earlier: readonly Step[]): Closed | undefined {
  const open = earlier.filter(({ id, missing }) =>
    // A rest that is under way bars the readings only: the engine may be opened meanwhile.
    missing.some(({ code }) => !(id === 'ready' && code === 'rest')),
  );
  const bars = open.flatMap(({ id }) => BARS_THE_WAY[id] ?? []);
  return bars.find((bar) => bar !== 'ready-first') ?? bars[0];
}

/** Nothing is barred any more once the first isolation is undone, unless that is taken back. */
function comingOff({ undone, signed }: JobState): Closed | undefined {
  return signed || Object.keys(undone).length === 0 ? undefined : 'coming-off';
}

function stepsAtWork(
  setting: JobSetting,
  state: JobState,
  stops: BarringPlan['stops'],
  now: string,
  shut: Closed | undefined,
): Step[] {
  const { sheet } = setting;
  const lost =
    shut ?? (state.plan || crankOfJob(sheet, state).belief.told ? undefined : 'find-first');
  const rest = missingTemperature(sheet, state, now).length > 0 ? 'temperature-first' : undefined;
  const atStops = stops.map(({ set }, stop): Step => {
    const open = set.map(({ id }) => id).filter((id) => !isFinished(sheet, state, id));
    const missing = open.map((id): Missing => ({ code: 'adjuster', id }));
    const waits = missing.length > 0 ? rest : undefined;
    return { ...step('stop', `Stop ${stop + 1} of ${stops.length}`, missing, lost ?? waits), stop };
  });
  const open = atStops.some(({ missing }) => missing.length > 0);
  const unserved = [
    ...unservedOf(sheet, state).map((id): Missing => ({ code: 'unserved', id })),
    ...openChartPlaces(state).map(({ id }): Missing => ({ code: 'chart', id })),
  ];
  const notYet = lost ?? (open || unserved.length > 0 ? 'stops-first' : undefined);
  const last = atStops[atStops.length - 1];
  if (last) last.missing.push(...unserved);
  const shims = missingShims(setting, state);
  const round = missingInRound(setting, state, stops, open);
  const steps = shimIds(sheet, state).length > 0 ? [step('shims', 'Shims', shims, notYet)] : [];
  const unset = notYet ?? (shims.length > 0 ? 'shims-first' : undefined);
  return [...atStops, ...steps, step('round', 'Once round again', round, unset)];
}

function missingShims({ sheet }: JobSetting, state: JobState): Missing[] {
  const ids = shimIds(sheet, state);
  if (ids.length === 0) return [];
  if (!state.shims) return [{ code: 'shims' }];
  return ids
    .filter((id) => !isShimDone(sheet, state, id) && !state.adjusters[id]?.unset)
    .map((id) => ({ code: 'adjuster', id }));
}

function missingInRound(
  setting: JobSetting,
  state: JobState,
  stops: BarringPlan['stops'],
  open: boolean,
): Missing[] {
  const unread = unreadOf(setting, state, stops).map((id): Missing => ({ code: 'adjuster', id }));
  if (unread.length > 0) return unread;
  return state.roundDone && !open ? [] : [{ code: 'round-done' }];
}

function stepsAfter({ sheet }: JobSetting, state: JobState): Step[] {
  const open = closingItems(sheet, state).filter(({ id }) => !state.closing[id]);
  const close: Missing[] = [
    ...open.map(({ text }) => ({ code: 'item' as const, text })),
    ...missingTorque(sheet, state, 'close'),
  ];
  return [
    step('close', 'Close up', close),
    step('able', 'Make able to start', missingBeforeStart(sheet, state)),
    step('run', 'Run and sign', missingAtRun(state)),
  ];
}

const AFTER: Partial<Record<StepId, [before: StepId, why: Closed]>> = {
  close: ['round', 'round-first'],
  able: ['close', 'close-first'],
  run: ['able', 'able-first'],
};

/** The steps at the end wait for the one before them. */
function afterWork(each: Step, earlier: readonly Step[]): Step {
  const [before, why] = AFTER[each.id] ?? [];
  const waits = earlier.some(({ id, missing }) => id === before && missing.length > 0);
  return waits && why !== undefined ? { ...each, closed: why } : each;
}

function step(id: StepId, title: string, missing: Missing[], closed?: Closed): Step {
  return { id, title, missing, ...(closed !== undefined && { closed }) };
}

/**
 * The place of the present step: that of the instruction. At the rockers it is the stop that the
 * crank stands at or is barred to; with no instruction left it is the last.
 */
export function presentStep(
  setting: JobSetting,
  state: JobState,
  steps: readonly Step[],
  instruction: Pick<Instruction, 'step'> | undefined,
): number {
  if (!instruction) return steps.length - 1;
  const { step: id } = instruction;
  if (id === 'stop') {
    const place = presentStop(setting, state, instruction);
    const at = steps.findIndex((each) => each.id === 'stop' && each.stop === place);
    if (at >= 0) return at;
  }
  const found = steps.findIndex((each) => each.id === id);
  return found < 0 ? steps.length - 1 : found;
}

/** The place in the plan of the stop that an instruction is about, if it is about one. */
function presentStop(
  setting: JobSetting,
  state: JobState,
  instruction: Pick<Instruction, 'step'>,
): number | undefined {
  const plan = jobPlan(setting, state);
  if (isRefused(plan)) return undefined;
  const to = 'to' in instruction && typeof instruction.to === 'number' ? instruction.to : undefined;
  if (to !== undefined) {
    const place = plan.stops.findIndex(({ at }) => at === to);
    if (place >= 0) return place;
  }
  const id = 'id' in instruction ? instruction.id : undefined;
  if (id !== undefined) return plan.stops.findIndex(({ set }) => set.some((s) => s.id === id));
  const [here] = stopsAtHand(setting.sheet, state, plan);
  if (here && to === undefined) return plan.stops.indexOf(here);
  const wanted = new Set(wantedOf(setting, state, plan).ids);
  return plan.stops.findIndex(({ set }) => set.some((each) => wanted.has(each.id)));
}
