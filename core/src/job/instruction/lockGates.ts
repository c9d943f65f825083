import type { EngineSheet } from '../../engine/sheet';
import { hanging, hangs } from '../journal/locks';
import type { JobState } from '../journal/state';
import { openIsolations } from './gates';

/**
 * Whether the first lock is still to be hung before the engine is opened, or opened `again`. A job
 * that was opened without one, by an earlier version, is not asked for it.
 */
export function lacksLock(state: JobState, again = false): boolean {
  const asked = !state.opened || (again && state.locks.length > 0);
  return asked && hanging(state).length === 0;
}

/**
 * Whether a person hangs their own lock before their hands go in: the engine is made unable to
 * start, and theirs is not among the locks that hold it so.
 */
export function mustHangLock(sheet: EngineSheet, state: JobState, person: string): boolean {
  const { locks, undone, signed, abandoned } = state;
  const isHeld = openIsolations(sheet, state).length === 0 && Object.keys(undone).length === 0;
  const asked = locks.length > 0 || lacksLock(state);
  return isHeld && asked && !signed && !abandoned && !hangs(state, person);
}

/**
 * Whether this person's lock is the last that holds an open engine: it stays until the next one's
 * hangs, or until the bar is out and the engine is made able to start.
 */
export function isLastLock(state: JobState, person: string): boolean {
  const own = hangs(state, person);
  return own && !state.barOut && hanging(state).length === 1;
}
