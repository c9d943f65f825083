import type { JobEvent } from '../journal/events';
import type { FoldedJob } from '../journal/fold';
import { foldOn } from '../journal/fold';
import type { JobBegun, JobSetting } from '../journal/setting';
import { settingOf } from '../journal/setting';
import type { JobState } from '../journal/state';
import type { AtStep } from './atWork';
import { atWork } from './atWork';
import {
  belowTheCovers,
  closingItems,
  isolationsToUndo,
  lastRun,
  leaksOpenly,
  leftOutside,
  missingLists,
  missingTag,
  missingTemperature,
  nextFastener,
  notClear,
  notToRunWith,
  readyItems,
  unsetOf,
} from './gates';
import type { Instruction } from './instruction';
import { lacksLock, mustHangLock } from './lockGates';
import { isolationsToDo, opensAgain } from './reopening';
import { jobSteps } from './steps';

/** The last fold of each journal that was asked for, by what it began with. */
const folded = new WeakMap<JobBegun, FoldedJob>();

/**
 * The one thing to do next in a job, as data: what screen, voice, paper, helper and the
 * simulated mechanic all follow. `begun` is what the job began with, `events` its journal, `now` an ISO instant. Undefined once
 * the job is signed.
 *
 * @example jobInstruction(begun, [], '2026-05-02T08:00:00Z').ask // 'why'
 */
export function jobInstruction(
  begun: JobBegun,
  events: readonly JobEvent[],
  now: string,
): Instruction | undefined {
  const job = foldOn(folded.get(begun), events, begun.late);
  folded.set(begun, job);
  return instructionOf(settingOf(begun, job.state), job.state, now);
}

/** Whether a signature that comes now counts: all that it vouches for is done, as it says. */
export function maySign(
  setting: JobSetting,
  state: JobState,
  now: string,
  { incomplete = false }: { incomplete?: boolean | undefined },
): boolean {
  const next = nextOf(setting, state, now);
  return next?.do === 'sign' && next.incomplete === incomplete;
}

/**
 * The same from the state of the journal, and from the sheet as it applies to this engine; for one
 * `person`, it is their own lock first where it does not hang.
 */
export function instructionOf(
  setting: JobSetting,
  state: JobState,
  now: string,
  person?: string,
): Instruction | undefined {
  const bare = nextOf(setting, state, now);
  if (!bare) return undefined;
  const handsIn = bare.step !== 'able' && bare.step !== 'run';
  if (person !== undefined && handsIn && mustHangLock(setting.sheet, state, person)) {
    return { step: bare.step, do: 'hang', missing: [{ code: 'lock' }] };
  }
  const missing = jobSteps(setting, state, now).find(({ id }) => id === bare.step)?.missing ?? [];
  return { ...bare, missing };
}

/** What to do next, without what its step misses besides. */
export function nextOf(setting: JobSetting, state: JobState, now: string): AtStep | undefined {
  if (state.signed || state.abandoned) return undefined;
  const again = opensAgain(setting, state);
  const comingOff = Object.keys(state.undone).length > 0 && !again;
  return (
    (comingOff ? undefined : (before(setting, state, now, again) ?? atWork(setting, state, now))) ??
    afterWork(setting, state)
  );
}

function before(
  { sheet }: JobSetting,
  state: JobState,
  now: string,
  again: boolean,
): AtStep | undefined {
  if (!state.why) return { step: 'why', do: 'answer', ask: 'why' };
  const lists = missingLists(sheet, state);
  if (missingTag(sheet, state).length > 0) {
    const tags = (sheet.variants ?? []).map(({ tag }) => tag);
    return { step: 'ready', do: 'answer', ask: 'tag', tags };
  }
  const [temperature] = missingTemperature(sheet, state, now);
  // A rest that is under way is waited for at the rockers, not here.
  if (temperature && temperature.code !== 'rest') {
    return { step: 'ready', do: 'answer', ask: 'temperature' };
  }
  if (lists.some(({ code }) => code === 'hours')) {
    return { step: 'ready', do: 'answer', ask: 'hours' };
  }
  const item = readyItems(sheet).find(({ id }) => !state.ready[id]);
  if (lists.length > 0 && item) return { step: 'ready', do: 'answer', ask: 'ready', item: item.id };
  const [isolation] = isolationsToDo(sheet, state, again);
  if (isolation) return { step: 'unable', do: 'isolate', isolation: isolation.id };
  if (lacksLock(state, again)) return { step: 'unable', do: 'hang' };
  if (!state.opened || again) return { step: 'open', do: 'open' };
  const fastener = nextFastener(sheet, state, 'first');
  return fastener && { step: 'torque', do: 'torque', ...fastener };
}

function afterWork({ sheet }: JobSetting, state: JobState): AtStep {
  const [below] = belowTheCovers(sheet, state);
  if (below) return { step: 'close', do: 'close', item: below.id };
  const fastener = nextFastener(sheet, state, 'close');
  if (fastener) return { step: 'close', do: 'torque', ...fastener };
  const over = closingItems(sheet, state).find(({ id }) => !state.closing[id]);
  if (over) return { step: 'close', do: 'close', item: over.id };
  if (!state.barOut) return { step: 'able', do: 'clear', what: 'bar' };
  const [person] = notClear(state);
  if (person !== undefined) return { step: 'able', do: 'clear', what: 'person', person };
  if (!state.toolsCounted) return { step: 'able', do: 'count' };
  const [isolation] = isolationsToUndo(sheet, state);
  if (isolation) return { step: 'able', do: 'restore', isolation: isolation.id };
  const run = lastRun(state);
  if (!run) return { step: 'run', do: 'run', not: notToRunWith(state) };
  if (leaksOpenly(state)) return { step: 'run', do: 'answer', ask: 'leak' };
  const unset = unsetOf(state);
  const outside = leftOutside(sheet, state);
  const { ran, leaks } = run;
  const incomplete = unset.length > 0 || outside.length > 0;
  return { step: 'run', do: 'sign', incomplete, unset, outside, ran, leaks };
}
