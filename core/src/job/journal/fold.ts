import { applyAdjuster, isOfAdjuster } from './foldAdjuster';
import { applyEnd, isOfEnd } from './foldEnd';
import { applyPosition, isOfPosition } from './foldPosition';
import { applyPhase } from './foldPhase';
import { isBlind, planAnew } from './planAnew';
import { countingOf, inOrder, undoneIds } from './counting';
import type { JobEvent, KnownEvent } from './events';
import { isKnown } from './events';
import { hear, isOfWork } from './heard';
import type { JobState } from './state';
import { emptyJob } from './state';

/**
 * The state of a job from its journal: the same whatever the order of arrival and however
 * often an event arrives. Events are ordered by (n, id), for phones' clocks disagree. Those named
 * `late` reached the server when it was signed already, or are a signature that came too soon;
 * they, and what stands after the signature, are kept, told, and change nothing.
 */
export function foldJob(events: Iterable<JobEvent>, late: readonly string[] = []): JobState {
  const journal = inOrder(events);
  const counting = countingOf(journal, late);
  const counted = new Set(counting.map(({ id }) => id));
  const undone = undoneIds(counting);
  const state: JobState = {
    ...emptyJob(),
    late: journal.filter(({ id }) => !counted.has(id)),
    lastN: journal[journal.length - 1]?.n ?? 0,
  };
  for (const event of counting) {
    if (!isKnown(event) || event.type === 'event.undone') continue;
    if (undone.has(event.id)) {
      if (isOfWork(event)) hear(state, event, true);
      continue;
    }
    state.standing = state.standing.with(event);
    apply(state, event);
  }
  return state;
}

/** A journal and its state, from which the next fold goes on. */
export type FoldedJob = { events: readonly JobEvent[]; state: JobState };

/**
 * The state after these events, made on from where it stood if they only add to what was folded
 * before; anew where one was undone, came late or stands after the signature. The state before
 * stays as it was.
 */
export function foldOn(
  before: FoldedJob | undefined,
  events: readonly JobEvent[],
  late: readonly string[] = [],
): FoldedJob {
  const added = late.length > 0 ? undefined : before && addedTo(before, events);
  if (!added || !before) return { events, state: foldJob(events, late) };
  let { state } = before;
  for (const event of added) state = withOne(state, event);
  return { events, state };
}

/** The events added at the end, where nothing else than that happened; undefined otherwise. */
function addedTo(before: FoldedJob, events: readonly JobEvent[]): JobEvent[] | undefined {
  const count = before.events.length;
  const { signed, late } = before.state;
  if (signed || late.length > 0 || events.length < count) return undefined;
  if (
    count > 0 &&
    (events[0] !== before.events[0] || events[count - 1] !== before.events[count - 1])
  ) {
    return undefined;
  }
  const added = events.slice(count);
  let { lastN } = before.state;
  for (const { n, type } of added) {
    if (n <= lastN || type === 'event.undone' || type === 'job.signed') return undefined;
    lastN = n;
  }
  return added;
}

function withOne(before: JobState, event: JobEvent): JobState {
  const state: JobState = { ...before, lastN: event.n };
  if (!isKnown(event)) return state;
  state.standing = before.standing.with(event);
  state.adjusters = { ...before.adjusters };
  state.lastThere = { ...before.lastThere };
  if (!isOfAdjuster(event) && !isOfPosition(event)) copyLists(state);
  apply(state, event);
  return state;
}

/** What the events of the phases and of the end write into is no longer the state before's. */
function copyLists(state: JobState): void {
  const { ready, isolations, noted, torqued, answers, closing, clear, undone } = state;
  Object.assign(state, {
    ready: { ...ready },
    isolations: { ...isolations },
    noted: [...noted],
    torqued: { ...torqued },
    answers: { ...answers },
    exempted: { ...state.exempted },
    closing: { ...closing },
    clear: { ...clear },
    undone: { ...undone },
    machineNotes: [...state.machineNotes],
    handed: [...state.handed],
    amendments: [...state.amendments],
  });
}

function apply(state: JobState, event: KnownEvent): void {
  if (isOfAdjuster(event)) {
    applyAdjuster(state, event);
    if (state.plan && isBlind(state.plan, state)) planAnew(state);
    return;
  }
  if (isOfPosition(event)) return applyPosition(state, event);
  if (isOfEnd(event)) return applyEnd(state, event);
  applyPhase(state, event);
}
