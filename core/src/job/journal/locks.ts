import { noteAtWork } from './people';
import type { JobState, OwnLock } from './state';

/** Whether this person's own lock hangs now. */
export function hangs({ locks }: Pick<JobState, 'locks'>, person: string): boolean {
  return locks.some((lock) => lock.person === person && !lock.off);
}

/** Everyone whose own lock hangs now, in the order in which they hung it. */
export function hanging({ locks }: Pick<JobState, 'locks'>): OwnLock[] {
  return locks.filter(({ off }) => !off);
}

/** Who isolates, bars or feels rockers is at work; one who took their own lock off is clear no more. */
export function backAtWork(state: JobState, ...people: readonly (string | undefined)[]): void {
  noteAtWork(state, ...people);
  const locked = state.locks.map(({ person }) => person);
  const kept = Object.entries(state.clear).filter(
    ([person]) => !people.includes(person) || !locked.includes(person),
  );
  state.clear = Object.fromEntries(kept);
}

/** A person hangs their own lock: they are at work, and clear no more. */
export function hangLock(state: JobState, person: string, at: string): void {
  if (!hangs(state, person)) state.locks = [...state.locks, { person, hung: at }];
  backAtWork(state, person);
}

/** Somebody says of a person that they are clear; a lock of theirs comes off with it. */
export function sayClear(
  state: JobState,
  {
    person,
    by,
    at,
    looked,
  }: { person: string; by: string; at: string; looked?: string | undefined },
): void {
  // Nobody takes another's lock off by a word: they go and look, and write down what they found.
  if (person !== by && looked === undefined && hangs(state, person)) return;
  state.clear = { ...state.clear, [person]: { by, at, looked } };
  const off = { by, at, looked };
  state.locks = state.locks.map((lock) =>
    lock.person === person && !lock.off ? { ...lock, off } : lock,
  );
}

/**
 * The engine is worked on again, so nobody counts as clear any more: save those who took their own
 * lock off, for they hang it again before they work.
 */
export function clearNoMore(state: JobState): void {
  const locked = new Set(state.locks.map(({ person }) => person));
  const kept = Object.entries(state.clear).filter(
    ([person]) => locked.has(person) && !hangs(state, person),
  );
  state.clear = Object.fromEntries(kept);
}
