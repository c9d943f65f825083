import type { BarringPlan, Refused, Stop } from '../barring/barringPlan';
import { isRefused } from '../barring/barringPlan';
import { withFurtherStops } from '../barring/furtherStops';
import { planBarring } from '../barring/plan';
import { specOf } from '../engine/adjusterEntry';
import type { EngineSheet, Isolation, Spec } from '../engine/sheet';
import type { ShopPolicy } from '../gauging/judgeReading';
import { judgeReading } from '../gauging/judgeReading';

import type { JobHead } from './events';
import type { JobState } from './fold';

export type StepId =
  'why' | 'ready' | 'unable' | 'find' | 'stop' | 'round' | 'close' | 'able' | 'run';

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

/** What a job is worked with: its head, the sheet it began with, and the shop's policy. */
export type JobSetting = { head: JobHead; sheet: EngineSheet; policy: ShopPolicy };

/** What is done while closing up, each ticked by itself. */
export const CLOSING_ITEMS: readonly { id: string; text: string }[] = [
  { id: 'clear', text: 'Tools, rags and loose parts out of the rocker gear' },
  { id: 'faces', text: 'Cover faces clean' },
  { id: 'gasket', text: 'Gasket new, or looked at and kept' },
  { id: 'covers', text: 'Covers run down evenly, in rounds to their torque' },
  { id: 'refit', text: 'Pipes, wiring and clips back where they were' },
];

/**
 * The stops of the job, begun with the turn on which the crank was found; what no stop of
 * the plan serves follows as further stops of its own.
 */
export function jobPlan({ head, sheet }: JobSetting, state: JobState): BarringPlan | Refused {
  const plan = planBarring(sheet, { method: head.method, startAt: state.foundAt });
  return isRefused(plan) ? plan : withFurtherStops(sheet, plan);
}

/** The steps of the job in the order of the work. `now` is an ISO instant. */
export function jobSteps(setting: JobSetting, state: JobState, now: string): Step[] {
  const plan = jobPlan(setting, state);
  const stops = isRefused(plan) ? [] : plan.stops;
  const unable = missingIsolations(setting.sheet, state);
  const shut = unable.length > 0 ? 'Make the engine unable to start first.' : undefined;
  const find = state.foundAt === undefined ? ['Settle where the crank is.'] : [];
  const lost = shut ?? (find.length > 0 ? 'Find the crank’s position first.' : undefined);
  const unset = stops.some((stop) => missingAtStop(stop, state).length > 0);
  const round = missingInRound(setting, stops, state);
  const close = CLOSING_ITEMS.filter(({ id }) => !state.closing[id]).map(({ text }) => text);
  const able = missingBeforeStart(setting.sheet, state);
  const run = missingAtRun(state);
  const steps: Step[] = [
    { id: 'why', title: 'Why', missing: state.why ? [] : ['Say why the engine is opened.'] },
    { id: 'ready', title: 'Ready', missing: missingReady(setting.sheet, state, now) },
    { id: 'unable', title: 'Make unable to start', missing: unable },
    step('find', 'Find position', isRefused(plan) ? [plan.refused] : find, shut),
    ...stops.map((stop, i): Step => ({
      ...step('stop', `Stop ${i + 1} of ${stops.length}`, missingAtStop(stop, state, i), lost),
      stop: i,
    })),
    step(
      'round',
      'Once round again',
      round,
      lost ?? (unset ? 'Finish every stop first.' : undefined),
    ),
    step('close', 'Close up', close, round.length > 0 ? 'Go once round again first.' : undefined),
    step('able', 'Make able to start', able, close.length > 0 ? 'Close up first.' : undefined),
    step('run', 'Run and sign', run, able.length > 0 ? 'Make it able to start first.' : undefined),
  ];
  return steps;
}

function step(id: StepId, title: string, missing: string[], closed: string | undefined): Step {
  return { id, title, missing, ...(closed !== undefined && { closed }) };
}

/** The place of the present step: the first that misses something, else the last. */
export function presentStep(steps: readonly Step[]): number {
  const first = steps.findIndex(({ missing }) => missing.length > 0);
  return first < 0 ? steps.length - 1 : first;
}

/** The isolations of the sheet; every engine has at least the fuel shut off. */
export function isolationsOf(sheet: EngineSheet): readonly Isolation[] {
  if (sheet.isolations?.length) return sheet.isolations;
  return [
    { id: 'fuel', text: 'Fuel shut off and its control tied', undo: 'Fuel on, control untied' },
    { id: 'start', text: 'Starting isolated and locked', undo: 'Starting back, lock off' },
  ];
}

function missingIsolations(sheet: EngineSheet, state: JobState): string[] {
  return isolationsOf(sheet)
    .filter(({ id }) => !state.isolations[id])
    .map(({ text }) => text);
}

/** When the rest the sheet asks for is over, in ms; 0 where it asks for none. */
export function coldFrom(sheet: EngineSheet, state: JobState): number | undefined {
  const { state: temperature, soakMinutes = 0 } = sheet.temperature ?? { state: 'cold' };
  if (temperature !== 'cold') return 0;
  return state.coldSince === undefined
    ? undefined
    : Date.parse(state.coldSince) + soakMinutes * 60_000;
}

function missingReady(sheet: EngineSheet, state: JobState, now: string): string[] {
  const missing: string[] = [];
  const cold = coldFrom(sheet, state);
  if (cold === undefined) missing.push('Say since when the engine has been cold.');
  else if (cold > Date.parse(now)) missing.push('Let it rest until it counts as cold.');
  if (!state.hours) missing.push('Read the hours.');
  return missing;
}

/** Whether the crank is known to stand at this stop now. */
export function standsAt(state: JobState, stop: number): boolean {
  return state.lastStop?.stop === stop;
}

function missingAtStop(stop: Stop, state: JobState, i?: number): string[] {
  const unpainted = stop.set.filter(({ id }) => !state.adjusters[id]?.painted).map(({ id }) => id);
  const reached = i === undefined || state.reached.includes(i);
  return reached ? unpainted : ['Bar to the stop and feel the rockers.', ...unpainted];
}

/**
 * The round again: every stop reached once more, its first adjuster read again, every
 * reading inside its limits and every nut with its dab.
 */
function missingInRound(setting: JobSetting, stops: readonly Stop[], state: JobState): string[] {
  const missing = stops.flatMap((stop, i) => {
    const name = `Stop ${i + 1}`;
    if (!state.reachedAgain.includes(i)) return [`${name}: bar there again and feel the rockers.`];
    const first = stop.set[0]?.id;
    return stop.set
      .filter(({ id }) => {
        const unread = id === first && !state.adjusters[id]?.again;
        return unread || !isRight(state, id, specOf(setting.sheet, id));
      })
      .map(({ id }) => id);
  });
  return missing.length > 0 || state.roundDone ? missing : [ROUND_DONE];
}

/** What the round misses last: the word of the one who went round. */
export const ROUND_DONE = 'Say that the round is done.';

function isRight(state: JobState, id: string, spec: Spec | undefined): boolean {
  const { painted, again } = state.adjusters[id] ?? {};
  if (!painted) return false;
  return !again || !spec || judgeReading(spec, again, 'leave-inside').verdict === 'inside';
}

function missingBeforeStart(sheet: EngineSheet, state: JobState): string[] {
  if (!state.barOut) return ['Bar and pins out of the engine.'];
  return isolationsOf(sheet)
    .filter(({ id }) => !state.undone[id] && state.isolations[id]?.exempt === undefined)
    .map(({ undo }) => undo);
}

function missingAtRun(state: JobState): string[] {
  if (!state.run) return ['Say how it ran.'];
  return state.signed ? [] : ['Sign.'];
}
