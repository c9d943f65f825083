import type { ChartPlace } from '../../barring/barringPlan';
import { adjustersOf } from '../../engine/adjusters';
import { entryOf } from '../../engine/adjusterEntry';
import type { EngineSheet, Isolation } from '../../engine/sheet';
import { verdictOf } from '../../gauging/judgeReading';
import { middleOf } from '../../gauging/reading';
import { rememberPair } from '../../remember';
import type { TorqueSequence } from '../../torque/sequence';
import { torqueSteps } from '../../torque/sequence';
import type { Attachment } from '../../attachment';
import { isClosing } from '../journal/closing';
import { torqueKey } from '../journal/foldPhase';
import { isAskedOf } from '../journal/askedOf';
import { isBegun } from '../journal/begun';
import { isPlaced } from '../journal/placed';
import { isInScope } from '../journal/scope';
import type { JobState } from '../journal/state';
import { isMarked, isOutside, isToReadOn } from './adjusterStep';
import { hotUntil } from './hotWindow';
import type { Missing } from './missing';
import { openNow, shimsLieOpen } from '../journal/shimsInHand';
import { adjusterAsked } from './questions';

/** What is done while closing up, each ticked by itself. */
const CLOSING_ITEMS: readonly { id: string; text: string }[] = [
  { id: 'clear', text: 'Rags and loose parts out of the rocker gear' },
  { id: 'faces', text: 'Cover faces clean' },
  { id: 'gasket', text: 'Gasket new, or looked at and kept' },
  { id: 'covers', text: 'Covers run down evenly, in rounds to their torque' },
  { id: 'refit', text: 'Pipes, wiring and clips back where they were' },
];

/** One line of a list that is ticked. */
export type ListItem = { id: string; text: string; attachments?: Attachment[] | undefined };

/**
 * What closing up asks for: the usual, and everything noted while opening up. Covers that the
 * sheet gives a sequence for are run down bolt by bolt instead of being ticked; whatever else
 * there is comes before them, for it is under them.
 */
export function closingItems(sheet: EngineSheet, state: JobState): ListItem[] {
  const inRounds = sequencesOf(sheet, 'close').length > 0;
  const noted = state.noted.map(({ id, what, from, attachments }) => ({
    id: `noted ${id}`,
    attachments,
    text: from ? `${what}: back to ${from}` : `${what}: back in its place`,
  }));
  return [...CLOSING_ITEMS.filter(({ id }) => id !== 'covers' || !inRounds), ...noted];
}

/**
 * Whether the covers may go on: nothing is left to do below them. Pipes and wiring come back over
 * them, last of all.
 */
export function isReadyForCovers(sheet: EngineSheet, state: JobState): boolean {
  return belowTheCovers(sheet, state).length === 0;
}

/** What is still to be ticked below the covers. */
export function belowTheCovers(sheet: EngineSheet, state: JobState): ListItem[] {
  return closingItems(sheet, state).filter(({ id }) => id !== 'refit' && !state.closing[id]);
}

/** The lists that are checked before the work begins. */
export function readyItems({ tools, parts }: EngineSheet): ListItem[] {
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

/**
 * Whether a job may be abandoned: nothing was done at the engine yet. What was isolated, opened or
 * set is brought to its end, as incomplete where need be.
 */
export function mayAbandon(state: JobState): boolean {
  const { isolations, torqued, adjusters, crank, signed, abandoned } = state;
  const touched = [isolations, torqued, adjusters].some((each) => Object.keys(each).length > 0);
  return !touched && !signed && !abandoned && crank.turns === 0 && crank.history.length === 0;
}

/**
 * Whether it may still be said what the job is about: once closing up has begun nothing is barred
 * or set any more, and another scope would ask for it below covers that are on.
 */
export function mayChooseScope(state: JobState): boolean {
  const isOver = isClosing(state) || state.barOut || state.signed;
  return !isOver && openWork(state) === undefined;
}

/**
 * What has to be finished before it is said what the job is about, or the engine runs in the middle
 * of it: a stand-in, or what was set, or backed off, and never read again.
 *
 * @example openWork(foldJob([])) // undefined
 */
export function openWork(state: JobState): 'shims' | 'reading' | undefined {
  if (shimsLieOpen(state)) return 'shims';
  return Object.values(state.adjusters).some(isBegun) ? 'reading' : undefined;
}

/** The sequences to be run down before any lash is read, or while closing up. */
export function sequencesOf(sheet: EngineSheet, when: TorqueSequence['when']): TorqueSequence[] {
  return (sheet.torques ?? []).filter((sequence) => sequence.when === when);
}

/** The isolations that are neither done nor exempted. */
export function openIsolations(sheet: EngineSheet, state: JobState): Isolation[] {
  return isolationsOf(sheet).filter(({ id }) => !state.isolations[id]);
}

/** The isolations still to be taken back before the engine can start. */
export function isolationsToUndo(sheet: EngineSheet, state: JobState): Isolation[] {
  return isolationsOf(sheet).filter(
    ({ id }) => !state.undone[id] && state.isolations[id]?.exempt === undefined,
  );
}

/** When the rest the sheet asks for is over, in ms; 0 where it asks for none. */
export function coldFrom(sheet: EngineSheet, state: JobState): number | undefined {
  const { state: temperature, soakMinutes = 0 } = sheet.temperature ?? { state: 'cold' };
  if (temperature !== 'cold') return 0;
  return state.coldSince === undefined
    ? undefined
    : Date.parse(state.coldSince) + soakMinutes * 60_000;
}

/** What the temperature still misses: the clock's word, the metal's, or a reason. */
export function missingTemperature(sheet: EngineSheet, state: JobState, now: string): Missing[] {
  if (state.exempted.temperature) return [];
  const { metal: limits } = sheet.temperature ?? {};
  if (state.metal && limits) {
    const { celsius } = state.metal;
    const { from = -Infinity, to = Infinity } = limits;
    return celsius >= from && celsius <= to ? [] : [{ code: 'metal' }];
  }
  if (sheet.temperature?.state === 'hot') {
    const { soakMinutes = 0 } = sheet.temperature;
    if (!state.hot) return [{ code: 'hot-stated' }];
    if (state.hot.ran < soakMinutes) return [{ code: 'hot-run', minutes: soakMinutes }];
    const until = state.roundDone ? undefined : hotUntil(sheet, state);
    return until !== undefined && until < Date.parse(now) ? [{ code: 'hot-over' }] : [];
  }
  const cold = coldFrom(sheet, state);
  if (cold === undefined) return [{ code: 'cold-since' }];
  if (cold <= Date.parse(now)) return [];
  return [{ code: 'rest', until: new Date(cold).toISOString() }];
}

/** What the data tag still misses: one of the sheet's, or a reason why it is none of them. */
export function missingTag(sheet: EngineSheet, state: JobState): Missing[] {
  const { variants } = sheet;
  if (!variants?.length) return [];
  if (state.tag === undefined) return [{ code: 'tag' }];
  const known = variants.some(({ tag }) => tag === state.tag);
  return known || state.tagReason !== undefined ? [] : [{ code: 'tag-reason' }];
}

/** What Ready misses besides the temperature: tag, hours and the lists. */
export function missingLists(sheet: EngineSheet, state: JobState): Missing[] {
  const missing = missingTag(sheet, state);
  if (!state.hours && !state.exempted.hours) missing.push({ code: 'hours' });
  const lists = state.exempted.ready ? [] : readyItems(sheet).filter(({ id }) => !state.ready[id]);
  return [...missing, ...lists.map(({ text }) => ({ code: 'item' as const, text }))];
}

/** The next fastener of these sequences to be run down, if any. */
export function nextFastener(
  sheet: EngineSheet,
  state: JobState,
  when: TorqueSequence['when'],
): { sequence: string; stage: number; fastener: number } | undefined {
  for (const { id, ...sequence } of sequencesOf(sheet, when)) {
    const next = torqueSteps({ id, ...sequence }).find(
      (step) => !state.torqued[torqueKey({ ...step, sequence: id })],
    );
    if (next) return { sequence: id, stage: next.stage, fastener: next.fastener };
  }
  return undefined;
}

export function missingTorque(
  sheet: EngineSheet,
  state: JobState,
  when: TorqueSequence['when'],
): Missing[] {
  return sequencesOf(sheet, when).flatMap((sequence): Missing[] => {
    const open = torqueSteps(sequence).filter(
      (step) => !state.torqued[torqueKey({ ...step, sequence: sequence.id })],
    );
    return open.length === 0 ? [] : [{ code: 'torque', name: sequence.name, left: open.length }];
  });
}

/**
 * Whether nothing more is asked of an adjuster at its stop. One that was finished by other
 * figures, as of another data tag, or that the round found outside its limits, is asked again.
 */
export function isFinished(sheet: EngineSheet, state: JobState, id: string): boolean {
  const own = state.adjusters[id] ?? {};
  const { unset, found, shim } = own;
  const entry = entryOf(sheet, id);
  if (unset || !entry || !isAskedOf(entry, state, id)) return true;
  // Over a stand-in nothing is read: its shim comes first.
  if (own.fitted === null) return true;
  const marked = isMarked(own, entry);
  if (state.scope?.checkOnly) return marked;
  const shimmed = entry.method === 'shim';
  if (marked && !isOutside(sheet, state, id)) return true;
  // What the round has read from one side alone, the round reads on.
  if (marked && isToReadOn(sheet, state, id)) return own.again !== undefined;
  // A bucket outside its limits is planned anew, once it is known which shim is in it.
  if (marked) return shimmed && shim !== undefined;
  if (!shimmed || !found || shim === undefined || middleOf(found) === undefined) return false;
  // A reading that spans a limit is only begun, unless it was left so or a shim was fitted since.
  const isSettled = own.kept === true || own.fitted !== undefined;
  return isSettled || !entry.spec || verdictOf(entry.spec, found) !== 'unsure';
}

/** The adjusters that no stop serves or that have no figure, and nobody has answered for. */
export function unservedOf(
  sheet: EngineSheet,
  state: JobState,
  plan: Served | undefined = state.plan,
): string[] {
  if (!plan) return [];
  return neverServed(sheet, plan).filter((id) => {
    if (!isAskedOf(entryOf(sheet, id), state, id)) return false;
    const { unset, painted } = state.adjusters[id] ?? {};
    return !unset && !isPlaced(state, id) && !painted;
  });
}

/** Where the manual's chart has what is off its condition there, until a person decided. */
export function openChartPlaces({ plan, adjusters }: JobState): ChartPlace[] {
  return (plan?.moved ?? []).filter(({ id }) => {
    const { unset, placed, painted, moved } = adjusters[id] ?? {};
    return !unset && !placed && !painted && !moved;
  });
}

/** What each stop of a plan serves. */
type Served = { stops: readonly { set: readonly string[] }[] };

/** What a plan has no stop for, and what has no figure to be set to. */
const neverServed = rememberPair((sheet: EngineSheet, plan: Served): string[] => {
  const served = new Set(plan.stops.flatMap(({ set }) => set));
  return adjustersOf(sheet)
    .filter(({ id, kind, entry }) => !served.has(id) || (kind !== 'bridge' && !entry.spec))
    .map(({ id }) => id);
});

/** Everyone who isolated, barred, helped or worked at the rockers and has not said clear. */
export function notClear(state: JobState): string[] {
  return state.people.filter((person) => !state.clear[person]);
}

export function missingBeforeStart(sheet: EngineSheet, state: JobState): Missing[] {
  if (!state.barOut) return [{ code: 'bar-out' }];
  return [
    ...notClear(state).map((person): Missing => ({ code: 'clear', person })),
    ...(state.toolsCounted ? [] : [{ code: 'tools' as const }]),
    ...isolationsToUndo(sheet, state).map(({ undo }): Missing => ({ code: 'item', text: undo })),
  ];
}

/** Whether everybody is clear and the tools are back: only then do isolations come off. */
export function mayRestore(state: JobState): boolean {
  return state.barOut !== undefined && notClear(state).length === 0 && !!state.toolsCounted;
}

/**
 * Whether the engine may go back to work in the middle of the job: bar out, everyone clear, nothing
 * open at the rockers, and nothing that it must not be run with.
 */
export function mayReturn(state: JobState): boolean {
  const isClear = state.barOut !== undefined && notClear(state).length === 0;
  return isClear && openWork(state) === undefined && notToRunWith(state).length === 0;
}

/**
 * The adjusters that could not be set: with any, the job is closed as incomplete.
 *
 * @example unsetOf({ adjusters: { 'intake.1': { unset: { reason: 'seized', by: 'Ina' } } } }) // ['intake.1']
 */
export function unsetOf({ adjusters }: Pick<JobState, 'adjusters'>): string[] {
  return Object.entries(adjusters)
    .filter(([, { unset }]) => unset)
    .map(([id]) => id);
}

/** What was only checked and is left outside its limits: with any, the check stays due. */
export function leftOutside(sheet: EngineSheet, state: JobState): string[] {
  if (!state.scope?.checkOnly) return [];
  return Object.keys(state.adjusters).filter(
    (id) => isInScope(state, id) && isOutside(sheet, state, id),
  );
}

/**
 * What the engine must not be run with: adjusters that could not be set, and those whose reading
 * was looked into, where somebody said so; and of what could not be set what is left half done, or
 * without its shim, where nobody said that it may be run so. With any, the job ends without a run,
 * unless somebody says why it may be run since.
 */
export function notToRunWith(state: JobState): string[] {
  const { adjusters, answers, exempted } = state;
  if (exempted.run && !exempted.run.lapsed) return [];
  const isOpen = openNow(state);
  const unset = Object.entries(adjusters).filter(
    ([id, own]) => own.unset && !(own.unset.mayRun ?? !isOpen(id)),
  );
  const found = Object.entries(answers).filter(([, { mayRun }]) => mayRun === false);
  return [...new Set([...unset.map(([id]) => id), ...found.map(([key]) => adjusterAsked(key))])];
}

/** The run that counts: the last one; none while it was not noted. */
export function lastRun({ runs }: JobState): JobState['runs'][number] | undefined {
  return runs.findLast(({ before }) => !before);
}

/** Whether it leaked on its last run, and nobody has said why it is left so. */
export function leaksOpenly(state: JobState): boolean {
  return lastRun(state)?.leaks === true && state.exempted.leak === undefined;
}

export function missingAtRun(state: JobState): Missing[] {
  if (!lastRun(state)) return [{ code: 'run' }];
  if (leaksOpenly(state)) return [{ code: 'leak' }];
  return state.signed ? [] : [{ code: 'sign' }];
}
