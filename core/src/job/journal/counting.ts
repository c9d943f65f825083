import type { JobEvent } from './events';
import { isKnown } from './events';

/** The journal without repeats, in the order that counts. */
export function inOrder(events: Iterable<JobEvent>): JobEvent[] {
  const byId = new Map<string, JobEvent>();
  for (const event of events) if (!byId.has(event.id)) byId.set(event.id, event);
  return [...byId.values()].sort((a, b) => a.n - b.n || (a.id < b.id ? -1 : 1));
}

/**
 * The events of an ordered journal that count. A signed record is closed: what stands after the
 * signature is kept but not counted, save what is said of it as an addition; nor is what is `late`.
 */
export function countingOf(
  journal: readonly JobEvent[],
  late: readonly string[],
): readonly JobEvent[] {
  const tooLate = new Set(late);
  const inTime = journal.filter(({ id }) => !tooLate.has(id));
  const signature = inTime.findIndex(({ type }) => type === 'job.signed');
  if (signature < 0) return inTime;
  const added = inTime.slice(signature + 1).filter(({ type }) => type === 'record.amended');
  return [...inTime.slice(0, signature + 1), ...added];
}

/** The ids taken back. An undoing that was itself undone takes nothing back; no signature is. */
export function undoneIds(journal: readonly JobEvent[]): Set<string> {
  const undone = new Set<string>();
  for (const event of [...journal].reverse()) {
    if (!isKnown(event) || event.type !== 'event.undone' || undone.has(event.id)) continue;
    undone.add(event.target);
  }
  for (const { id, type } of journal) if (type === 'job.signed') undone.delete(id);
  return undone;
}

/**
 * Whether a job is signed or given up: the same that its fold says, without folding it.
 *
 * @param late - the ids of events that do not count
 */
export function isOver(events: Iterable<JobEvent>, late: readonly string[] = []): boolean {
  const counting = countingOf(inOrder(events), late);
  const undone = undoneIds(counting);
  return counting.some(
    ({ id, type }) => !undone.has(id) && (type === 'job.signed' || type === 'job.abandoned'),
  );
}
