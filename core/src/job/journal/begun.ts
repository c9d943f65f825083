import type { AdjusterState } from './state';

/**
 * Whether an adjuster was locked or a shim fitted, and nobody has read since what that left; one
 * without a figure has nothing to be read, and its dab says that it is done.
 */
export function isUnread(state: AdjusterState = {}): boolean {
  const { locked, fitted, left, again, painted } = state;
  const isChanged = locked !== undefined || typeof fitted === 'number';
  return isChanged && !left && !again && !painted;
}

/**
 * Whether somebody set an adjuster and did not finish it: its nut may be loose, or nobody knows
 * what setting it left, or it is backed off. It is finished whatever the job is about since.
 */
export function isBegun(state: AdjusterState = {}): boolean {
  return !state.unset && isHalfDone(state);
}

/** The same of one that cannot be set, as somebody said since: it is left so. */
export function isHalfDone(state: AdjusterState): boolean {
  const { set, locked, kept, painted, apart, off } = state;
  if (apart || off) return true;
  return isUnread(state) || (set !== undefined && !locked && !kept && !painted);
}
