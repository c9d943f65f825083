import type { Stop } from '../../barring/barringPlan';
import { entryOf, specOf } from '../../engine/adjusterEntry';
import type { EngineSheet, Isolation } from '../../engine/sheet';
import { judgeReading } from '../../gauging/judgeReading';
import { middleOf } from '../../gauging/reading';
import type { TorqueSequence } from '../../torque/sequence';
import { torqueSteps } from '../../torque/sequence';
import { torqueKey } from '../journal/foldPhase';
import type { Attachment } from '../journal/attachment';
import type { JobSetting } from '../journal/setting';
import type { JobState } from '../journal/state';

/** What each step of a job still misses, in words; an adjuster by its id. */

/** What is done while closing up, each ticked by itself. */
const CLOSING_ITEMS: readonly { id: string; text: string }[] = [
  { id: 'clear', text: 'Rags and loose parts out of the rocker gear' },
  { id: 'faces', text: 'Cover faces clean' },
  { id: 'gasket', text: 'Gasket new, or looked at and kept' },
  { id: 'covers', text: 'Covers run down evenly, in rounds to their torque' },
  { id: 'refit', text: 'Pipes, wiring and clips back where they were' },
];

/**
 * What closing up asks for: the usual, and everything noted while opening up. Covers that the
 * sheet gives a sequence for are run down bolt by bolt instead of being ticked.
 */
export function closingItems(
  sheet: EngineSheet,
  state: JobState,
): { id: string; text: string; attachments?: Attachment[] | undefined }[] {
  const inRounds = sequencesOf(sheet, 'close').length > 0;
  const noted = state.noted.map(({ id, what, from, attachments }) => ({
    id: `noted ${id}`,
    attachments,
    text: from ? `${what}: back to ${from}` : `${what}: back in its place`,
  }));
  return [...CLOSING_ITEMS.filter(({ id }) => id !== 'covers' || !inRounds), ...noted];
}

/** The lists that are checked before the work begins. */
export function readyItems({ tools, parts }: EngineSheet): { id: string; text: string }[] {
  return [
    ...(tools?.length ? [{ id: 'tools', text: `Tools laid out: ${tools.join(', ')}` }] : []),
    ...(parts?.length ? [{ id: 'parts', text: `Parts at hand: ${parts.join(', ')}` }] : []),
  ];
}

/** The isolations of the sheet; every engine has at least the fuel shut off. */
export function isolationsOf(sheet: EngineSheet): readonly Isolation[] {
  if (sheet.isolations?.length) return sheet.isolations;
  return [
    { id: 'fuel', text: 'Fuel shut off and its control tied', undo: 'Fuel on, control untied' },
    { id: 'start', text: 'Starting isolated and locked', undo: 'Starting back, lock off' },
  ];
}

/** The sequences to be run down before any lash is read, or while closing up. */
export function sequencesOf(sheet: EngineSheet, when: TorqueSequence['when']): TorqueSequence[] {
  return (sheet.torques ?? []).filter((sequence) => sequence.when === when);
}

export function missingIsolations(sheet: EngineSheet, state: JobState): string[] {
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

function missingTemperature(sheet: EngineSheet, state: JobState, now: string): string[] {
  if (sheet.temperature?.state === 'hot') {
    const { soakMinutes = 0 } = sheet.temperature;
    if (!state.hot) return ['Say when the hot engine was shut down.'];
    return state.hot.ran < soakMinutes ? [`Run it hot: ${soakMinutes} min at least.`] : [];
  }
  const cold = coldFrom(sheet, state);
  if (cold === undefined) return ['Say since when the engine has been cold.'];
  return cold > Date.parse(now) ? ['Let it rest until it counts as cold.'] : [];
}

export function missingReady(sheet: EngineSheet, state: JobState, now: string): string[] {
  const missing = missingTemperature(sheet, state, now);
  if (!state.hours) missing.push('Read the hours.');
  if (sheet.variants?.length && state.tag === undefined) missing.push('Read the data tag.');
  const lists = readyItems(sheet).filter(({ id }) => !state.ready[id]);
  return [...missing, ...lists.map(({ text }) => text)];
}

export function missingTorque(
  sheet: EngineSheet,
  state: JobState,
  when: TorqueSequence['when'],
): string[] {
  return sequencesOf(sheet, when).flatMap((sequence) => {
    const open = torqueSteps(sequence).filter(
      (step) => !state.torqued[torqueKey({ ...step, sequence: sequence.id })],
    );
    return open.length === 0 ? [] : [`${sequence.name}: ${open.length} left.`];
  });
}

/** Whether nothing more is asked of an adjuster at its stop. */
export function isFinished(sheet: EngineSheet, state: JobState, id: string): boolean {
  const { painted, unset, found, shim } = state.adjusters[id] ?? {};
  if (painted || unset) return true;
  const measured = found !== undefined && middleOf(found) !== undefined && shim !== undefined;
  return measured && entryOf(sheet, id)?.method === 'shim';
}

export function missingAtStop(
  { sheet }: JobSetting,
  stop: Stop,
  state: JobState,
  i?: number,
): string[] {
  const open = stop.set.map(({ id }) => id).filter((id) => !isFinished(sheet, state, id));
  const reached = i === undefined || state.reached.includes(i);
  return reached ? open : ['Bar to the stop and feel the rockers.', ...open];
}

export function missingShims(state: JobState, ids: readonly string[]): string[] {
  if (!state.shims) return ['Work out which shim goes where.'];
  return ids.filter((id) => !state.adjusters[id]?.painted && !state.adjusters[id]?.unset);
}

/** What the round misses last: the word of the one who went round. */
export const ROUND_DONE = 'Say that the round is done.';

/**
 * The round again: every stop reached once more, what the shop's rule asks for and what was
 * doubted read again, every reading inside its limits and every nut with its dab.
 */
export function missingInRound(
  setting: JobSetting,
  stops: readonly Stop[],
  state: JobState,
): string[] {
  const missing = stops.flatMap((stop, i) => {
    if (!state.reachedAgain.includes(i)) {
      return [`Stop ${i + 1}: bar there again and feel the rockers.`];
    }
    return stop.set
      .map(({ id }) => id)
      .filter((id) => !isRight(setting, state, id) || isUnread(setting, state, stop, id));
  });
  return missing.length > 0 || state.roundDone ? missing : [ROUND_DONE];
}

/** Whether the round asks for a reading of this adjuster that it does not have yet. */
export function isUnread(
  { sheet, round = 'first' }: JobSetting,
  state: JobState,
  stop: Stop,
  id: string,
): boolean {
  const { again, locked, fitted, doubted, unset } = state.adjusters[id] ?? {};
  // What has no figure, a bridge that was levelled, is not read at all.
  if (unset || !specOf(sheet, id)) return false;
  if (doubted) return true;
  if (again) return false;
  const first = stop.set.find(
    (each) => !state.adjusters[each.id]?.unset && specOf(sheet, each.id),
  )?.id;
  const changed = locked !== undefined || typeof fitted === 'number';
  return round === 'all' || id === first || (round === 'changed' && changed);
}

function isRight({ sheet }: JobSetting, state: JobState, id: string): boolean {
  const { painted, again, unset } = state.adjusters[id] ?? {};
  if (unset) return true;
  if (!painted) return false;
  const spec = specOf(sheet, id);
  return !again || !spec || judgeReading(spec, again, 'leave-inside').verdict === 'inside';
}

/** Everyone who isolated or barred in this job: each confirms being clear before the start. */
export function peopleAtIt(state: JobState): string[] {
  const at = ['isolation.done', 'isolation.exempted', 'position.found', 'stop.reached'];
  const names = state.standing.filter(({ type }) => at.includes(type)).map(({ by }) => by);
  return [...new Set(names)];
}

export function missingBeforeStart(sheet: EngineSheet, state: JobState): string[] {
  if (!state.barOut) return ['Bar and pins out of the engine.'];
  const clear = peopleAtIt(state).filter((person) => !state.clear[person]);
  const undo = isolationsOf(sheet).filter(
    ({ id }) => !state.undone[id] && state.isolations[id]?.exempt === undefined,
  );
  return [
    ...clear.map((person) => `${person}: clear, own lock off.`),
    ...(state.toolsCounted ? [] : ['Tools counted back.']),
    ...undo.map((isolation) => isolation.undo),
  ];
}

/** The adjusters that could not be set: with any, the job is closed as incomplete. */
export function unsetOf(state: JobState): string[] {
  return Object.entries(state.adjusters)
    .filter(([, { unset }]) => unset)
    .map(([id]) => id);
}

export function missingAtRun(state: JobState): string[] {
  if (!state.run) return ['Say how it ran.'];
  return state.signed ? [] : ['Sign.'];
}
