import type { Adjuster } from '../../engine/adjusters';
import type { EngineSheet, Spec } from '../../engine/sheet';
import { seatingOf } from '../../engine/layout';
import { assumedLobes } from '../../engine/lobes';
import { verdictOf } from '../../gauging/judgeReading';
import { measureOf } from '../../gauging/measure';
import type { Reading } from '../../gauging/reading';
import { torqueSteps } from '../../torque/sequence';
import type { JobEvent } from '../journal/events';
import { foldJob } from '../journal/fold';
import { isOfAdjuster } from '../journal/foldAdjuster';
import { isChange, isOfWork } from '../journal/heard';
import { hoursOf } from '../journal/hoursOf';
import { torqueKey } from '../journal/foldPhase';
import type { JobBegun, JobSetting } from '../journal/setting';
import { isAskedOf } from '../journal/askedOf';
import { leftOutKinds } from '../journal/scope';
import { settingOf } from '../journal/setting';
import type { AdjusterState, JobState } from '../journal/state';
import { openNow } from '../journal/shimsInHand';
import { closingItems, isolationsOf } from '../instruction/gates';
import { readTooCool } from '../instruction/hotWindow';
import { methodOf } from '../instruction/jobPlan';
import { adjusterAsked } from '../instruction/questions';
import { deviationsOf } from './deviations';
import type {
  JobRecord,
  JudgedReading,
  RecordedAdjuster,
  RecordedBank,
  RecordedIsolation,
  RecordedTorque,
} from './jobRecord';
import { phaseTimes } from './phaseTimes';
import { unansweredFindings } from './unansweredFindings';

/**
 * The record of a job: what people are shown of it, all of it judged by the figures and rules
 * that its own journal keeps. `begun` is what the job began with, `events` its journal in any
 * order. It may be asked for at any time; `signed` is there once it is signed.
 *
 * @example recordOf(begun, []).counts // { adjusters: 12, entries: 0 }
 */
export function recordOf(begun: JobBegun, events: readonly JobEvent[]): JobRecord {
  const state = foldJob(events, begun.late);
  return recordOfState(settingOf(begun, state), state);
}

/** The same from the state of the journal, and from the sheet as it applies to this engine. */
export function recordOfState(setting: JobSetting, state: JobState): JobRecord {
  const { head, sheet, policy, round, aim } = setting;
  const banks = banksOf(sheet, state);
  const adjusters = banks.flatMap(({ cylinders }) => cylinders.flatMap((each) => each.adjusters));
  const { standing, signed } = state;
  return {
    head,
    method: methodOf(setting, state),
    rules: { policy, ...(round && { round }), ...(aim && { aim }) },
    sheet: {
      name: sheet.name,
      revision: head.sheetRevision,
      source: sourceOf(sheet),
      service: sheet.service,
    },
    tag: state.tag === undefined ? undefined : { tag: state.tag, reason: state.tagReason },
    why: state.why,
    scope: { told: state.scope, leftOut: leftOutKinds(sheet, state.scope) },
    hours: hoursOf(setting, state),
    temperature:
      sheet.temperature?.state === 'hot'
        ? { state: 'hot', run: state.hot }
        : { state: 'cold', since: state.coldSince },
    metal: state.metal,
    supposed: {
      turning: sheet.rotation ? undefined : state.rotation,
      lobes: assumedLobes(sheet),
    },
    people: [...new Set([...standing].map(({ by }) => by))],
    phases: phaseTimes(state),
    banks,
    tooCool: readTooCool(sheet, state),
    answers: Object.entries(state.answers).map(([key, { says, ...answered }]) => ({
      ...answered,
      id: adjusterAsked(key),
      says: says ?? 'Asked about.',
    })),
    open: unansweredFindings(setting, state),
    deviations: deviationsOf(state),
    isolations: isolationsIn(sheet, state),
    torques: torquesIn(sheet, state),
    cameOff: state.noted.map((noted) => ({
      ...noted,
      back: state.closing[`noted ${noted.id}`] !== undefined,
    })),
    closing: closingIn(sheet, state),
    barOut: state.barOut,
    locks: state.locks,
    clears: clearsIn(state),
    tools: state.toolsCounted,
    runs: state.runs,
    noise: state.noise,
    notes: state.machineNotes.map(({ text, by }) => ({ text, by })),
    handed: state.handed,
    attachments: [
      ...(state.why?.attachments ?? []),
      ...state.noted.flatMap(({ attachments = [] }) => attachments),
      ...Object.values(state.answers).flatMap(({ attachments = [] }) => attachments),
      ...Object.values(state.adjusters)
        .flatMap(({ givenUp = [], unset }) => [...givenUp, ...(unset ? [unset] : [])])
        .flatMap(({ attachments = [] }) => attachments),
    ],
    additions: state.amendments,
    late: state.late,
    abandoned: state.abandoned,
    signed,
    counts: { adjusters: adjusters.length, entries: standing.length },
  };
}

function sourceOf({ source }: EngineSheet): JobRecord['sheet']['source'] {
  if (!source) return undefined;
  const { title, revision } = source;
  return { ...(title !== undefined && { title }), ...(revision !== undefined && { revision }) };
}

function banksOf(sheet: EngineSheet, state: JobState): RecordedBank[] {
  const hands = handsOn(state);
  return seatingOf(sheet).map(({ name, cylinders }) => ({
    name,
    cylinders: cylinders.map(({ cylinder, adjusters }) => ({
      cylinder,
      adjusters: adjusters.map((adjuster) => adjusterIn(adjuster, state, hands.get(adjuster.id))),
    })),
  }));
}

type Hands = { backedOff: boolean; touched: boolean; people: Set<string> };

const noHands = (): Hands => ({ backedOff: false, touched: false, people: new Set() });

/**
 * Who did something at each adjuster, and whether it was backed off, loosened or its shim changed:
 * told from what stands in the journal, for what is left as found in the end may have been set before.
 */
function handsOn({ standing }: JobState): Map<string, Hands> {
  const hands = new Map<string, Hands>();
  const handsAt = (id: string) => {
    const own = hands.get(id) ?? noHands();
    hands.set(id, own);
    return own;
  };
  for (const event of standing) {
    if (event.type === 'rockers.loosened')
      for (const id of event.adjusters) handsAt(id).backedOff = true;
    if (!isOfAdjuster(event)) continue;
    const own = handsAt(event.adjuster);
    own.people.add(event.by);
    if (isOfWork(event) && isChange(event)) own.touched = true;
  }
  return hands;
}

function adjusterIn(
  { id, kind, cylinder, entry }: Adjuster,
  job: JobState,
  { backedOff, touched, people }: Hands = noHands(),
): RecordedAdjuster {
  const state: AdjusterState = job.adjusters[id] ?? {};
  const { found, foundToo, set, left, again, kept, painted, checked, shim, fitted, doubted } =
    state;
  const { spec } = entry;
  const judged = (reading: Reading | undefined) => judge(spec, reading);
  return {
    id,
    kind,
    cylinder,
    measure: measureOf(entry),
    limits: spec,
    found: judged(found),
    foundToo: foundToo && { reading: plain(foundToo), by: foundToo.by },
    set: judged(set),
    left: judged(left ?? (kept ? found : undefined)),
    again: judged(again),
    lock: state.locked,
    aimed: state.locked?.aimed ?? (typeof fitted === 'number' ? aimedByShim(job, id) : undefined),
    shim: shim === undefined && fitted === undefined ? undefined : { found: shim, fitted },
    unset: state.unset,
    backedOff,
    leftOpen: state.unset !== undefined && openNow(job)(id),
    touched,
    dab: painted === true && !checked,
    outOfScope: !isAskedOf(entry, job, id),
    kept: !touched && (kept === true || painted === true),
    doubted: doubted === true,
    apart: state.apart === true,
    people: [...people],
  };
}

function aimedByShim({ shims }: JobState, id: string): number | undefined {
  return shims?.rows.find((row) => row.id === id)?.aimed;
}

function judge(spec: Spec | undefined, reading: Reading | undefined): JudgedReading | undefined {
  if (!reading) return undefined;
  return { reading: plain(reading), verdict: spec && verdictOf(spec, reading) };
}

/** A reading without the blades tried for it. */
function plain({ go, noGo, how }: Reading): Reading {
  return { go, noGo, how };
}

function isolationsIn(sheet: EngineSheet, state: JobState): RecordedIsolation[] {
  return isolationsOf(sheet).map(({ id, text, undo }) => {
    const done = state.isolations[id];
    return {
      text,
      undo,
      done: done && { by: done.by, at: done.at },
      exempt: done?.exempt,
      undone: state.undone[id],
    };
  });
}

function torquesIn({ torques = [] }: EngineSheet, state: JobState): RecordedTorque[] {
  return torques.map((sequence) => {
    const steps = torqueSteps(sequence);
    const done = steps.filter((step) => {
      return state.torqued[torqueKey({ ...step, sequence: sequence.id })] !== undefined;
    });
    const { name, torque, stages } = sequence;
    return { name, torque, stages, done: done.length, of: steps.length };
  });
}

/** Who said clear without a lock of their own: a lock that came off says it already. */
function clearsIn({ clear, locks }: JobState): JobRecord['clears'] {
  return Object.entries(clear)
    .filter(([name]) => !locks.some(({ person }) => person === name))
    .map(([person, { by, looked }]) => ({ person, by, looked }));
}

function closingIn(sheet: EngineSheet, state: JobState): JobRecord['closing'] {
  return closingItems(sheet, state).flatMap(({ id, text }) => {
    const done = state.closing[id];
    return done ? [{ text, by: done.by, note: done.note }] : [];
  });
}
