import type { Reading, Trial } from '../gauging/reading';
import type { Observation } from '../barring/observation';
import { observe } from '../barring/observation';
import type { RockerFeel } from '../barring/position';
import type { JobEvent, KnownEvent } from './events';
import { isKnown } from './events';

/** What the journal says of one adjuster. */
export type AdjusterState = {
  found?: TakenReading;
  kept?: boolean;
  locked?: { how: 'torque' | 'feel'; torque?: number | undefined; by: string };
  /** Read again after locking; a later lock takes it away, for it says nothing any more. */
  left?: TakenReading;
  painted?: boolean;
  /** On the round again. */
  again?: TakenReading;
};

/** A reading with the blades tried for it, if it was taken blade by blade. */
export type TakenReading = Reading & { tried?: Trial[] | undefined; bladeSet?: string | undefined };

/** A job as its journal tells it. */
export type JobState = {
  why?: { reason: 'interval' | 'head-work' | 'symptom'; symptom?: string | undefined };
  coldSince?: string;
  hours?: { hours: number; at: string };
  isolations: Record<string, { by: string; at: string; exempt?: string }>;
  felt: Record<string, RockerFeel>;
  /** What was seen and felt to locate the crank. */
  observations: Observation[];
  foundAt?: number;
  /** Stops reached with the rockers agreeing, by place in the plan. */
  reached: number[];
  reachedAgain: number[];
  /** Where the crank was last known to stand. */
  lastStop?: { stop: number; round: boolean; at: string };
  adjusters: Record<string, AdjusterState>;
  roundDone?: boolean;
  closing: Record<string, { by: string; at: string; note?: string | undefined }>;
  barOut?: { by: string; at: string };
  undone: Record<string, { by: string; at: string }>;
  run?: {
    ran: boolean;
    leaks: boolean;
    symptomGone?: boolean | undefined;
    note?: string | undefined;
  };
  signed?: { name: string; at: string };
  /** The events that count, in order: undone ones and undoings left out. */
  standing: KnownEvent[];
  /** The highest `n` seen in the journal. */
  lastN: number;
};

/**
 * The state of a job from its journal: the same whatever the order of arrival and however
 * often an event arrives. Events are ordered by (n, id), for phones' clocks disagree.
 */
export function foldJob(events: Iterable<JobEvent>): JobState {
  const journal = inOrder(events);
  const counting = upToSignature(journal);
  const undone = undoneIds(counting);
  const state: JobState = {
    isolations: {},
    felt: {},
    observations: [],
    reached: [],
    reachedAgain: [],
    adjusters: {},
    closing: {},
    undone: {},
    standing: [],
    lastN: journal[journal.length - 1]?.n ?? 0,
  };
  for (const event of counting) {
    if (undone.has(event.id) || !isKnown(event) || event.type === 'event.undone') continue;
    state.standing.push(event);
    apply(state, event);
  }
  return state;
}

/** The journal without repeats, in the order that counts. */
export function inOrder(events: Iterable<JobEvent>): JobEvent[] {
  const byId = new Map<string, JobEvent>();
  for (const event of events) if (!byId.has(event.id)) byId.set(event.id, event);
  return [...byId.values()].sort((a, b) => a.n - b.n || (a.id < b.id ? -1 : 1));
}

/** A signed record is closed: what stands after is kept in the journal but not counted. */
function upToSignature(journal: readonly JobEvent[]): readonly JobEvent[] {
  const signature = journal.findIndex(({ type }) => type === 'job.signed');
  return signature < 0 ? journal : journal.slice(0, signature + 1);
}

/** The ids taken back. An undoing that was itself undone takes nothing back. */
function undoneIds(journal: readonly JobEvent[]): Set<string> {
  const undone = new Set<string>();
  for (const event of [...journal].reverse()) {
    if (!isKnown(event) || event.type !== 'event.undone' || undone.has(event.id)) continue;
    undone.add(event.target);
  }
  return undone;
}

function apply(state: JobState, event: KnownEvent): void {
  const { at, by } = event;
  switch (event.type) {
    case 'why.noted':
      state.why = { reason: event.reason, symptom: event.symptom };
      return;
    case 'cold.stated':
      state.coldSince = event.since;
      return;
    case 'hours.read':
      state.hours = { hours: event.hours, at };
      return;
    case 'isolation.done':
      state.isolations[event.isolation] = { by, at };
      return;
    case 'isolation.exempted':
      state.isolations[event.isolation] = { by, at, exempt: event.reason };
      return;
    case 'round.done':
      state.roundDone = true;
      return;
    case 'closing.done':
      state.closing[event.item] = { by, at, note: event.note };
      return;
    case 'bar.out':
      state.barOut = { by, at };
      return;
    case 'isolation.undone':
      state.undone[event.isolation] = { by, at };
      return;
    case 'run.noted': {
      const { ran, leaks, symptomGone, note } = event;
      state.run = { ran, leaks, symptomGone, note };
      return;
    }
    case 'job.signed':
      state.signed = { name: event.name, at };
      return;
    case 'rocker.felt':
    case 'crank.observed':
    case 'position.found':
    case 'position.lost':
    case 'stop.reached':
      return applyPosition(state, event);
    case 'reading.taken':
    case 'adjuster.kept':
    case 'adjuster.locked':
    case 'adjuster.painted':
      return applyAdjuster(state, event);
    case 'event.undone':
      return;
  }
}

type EventOf<T extends KnownEvent['type']> = Extract<KnownEvent, { type: T }>;

function applyPosition(
  state: JobState,
  event: EventOf<
    'rocker.felt' | 'crank.observed' | 'position.found' | 'position.lost' | 'stop.reached'
  >,
): void {
  switch (event.type) {
    case 'rocker.felt':
      state.felt[event.adjuster] = event.state;
      return;
    case 'crank.observed':
      state.observations = observe(state.observations, event.observation, event.back);
      return;
    case 'position.found':
      // A plan begins anew from where the crank is found; work already done stands.
      state.foundAt = event.angle;
      forgetStops(state);
      return;
    case 'position.lost':
      delete state.foundAt;
      state.felt = {};
      state.observations = [];
      forgetStops(state);
      return;
    case 'stop.reached': {
      const list = event.round ? state.reachedAgain : state.reached;
      if (!list.includes(event.stop)) list.push(event.stop);
      state.lastStop = { stop: event.stop, round: event.round, at: event.at };
      return;
    }
  }
}

function forgetStops(state: JobState): void {
  state.reached = [];
  state.reachedAgain = [];
  delete state.lastStop;
}

function applyAdjuster(
  state: JobState,
  event: EventOf<'reading.taken' | 'adjuster.kept' | 'adjuster.locked' | 'adjuster.painted'>,
): void {
  const adjuster = (state.adjusters[event.adjuster] ??= {});
  switch (event.type) {
    case 'reading.taken': {
      const { phase, reading, tried, bladeSet } = event;
      // All blades taken back: there is no reading any more.
      if (tried?.length === 0) delete adjuster[phase];
      else adjuster[phase] = { ...reading, tried, bladeSet };
      return;
    }
    case 'adjuster.kept':
      adjuster.kept = true;
      delete adjuster.locked;
      return;
    case 'adjuster.locked':
      adjuster.locked = { how: event.how, torque: event.torque, by: event.by };
      delete adjuster.kept;
      // Whatever was read before this lock says nothing about it.
      delete adjuster.left;
      delete adjuster.again;
      delete adjuster.painted;
      return;
    case 'adjuster.painted':
      adjuster.painted = true;
      return;
  }
}
