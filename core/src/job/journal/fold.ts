import { applyAdjuster, isOfAdjuster } from './foldAdjuster';
import { applyEnd, isOfEnd } from './foldEnd';
import { applyPosition, isOfPosition } from './foldPosition';
import { applyPhase } from './foldPhase';
import type { JobEvent, KnownEvent } from './events';
import { isKnown } from './events';
import type { JobState } from './state';
import { emptyJob } from './state';

/**
 * The state of a job from its journal: the same whatever the order of arrival and however
 * often an event arrives. Events are ordered by (n, id), for phones' clocks disagree.
 */
export function foldJob(events: Iterable<JobEvent>): JobState {
  const journal = inOrder(events);
  const counting = upToSignature(journal);
  const undone = undoneIds(counting);
  const state: JobState = { ...emptyJob(), lastN: journal[journal.length - 1]?.n ?? 0 };
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

/**
 * A signed record is closed: what stands after is kept in the journal but not counted, save
 * what is said of it as an addition.
 */
function upToSignature(journal: readonly JobEvent[]): readonly JobEvent[] {
  const signature = journal.findIndex(({ type }) => type === 'job.signed');
  if (signature < 0) return journal;
  const added = journal.slice(signature + 1).filter(({ type }) => type === 'record.amended');
  return [...journal.slice(0, signature + 1), ...added];
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
  if (isOfAdjuster(event)) return applyAdjuster(state, event);
  if (isOfPosition(event)) return applyPosition(state, event);
  if (isOfEnd(event)) return applyEnd(state, event);
  applyPhase(state, event);
}
