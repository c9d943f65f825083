import type { AdjusterEntry } from '../../engine/sheet';
import { isBegun } from './begun';
import { isInScope } from './scope';
import type { JobState } from './state';

/**
 * Whether a job has something to do at an adjuster: it is about it, and where it only checks there
 * is a figure to check by; or somebody began to set it before the job was about something else.
 */
export function isAskedOf(
  entry: Pick<AdjusterEntry, 'spec'> | undefined,
  state: Pick<JobState, 'scope' | 'adjusters'>,
  id: string,
): boolean {
  if (isBegun(state.adjusters[id])) return true;
  return isInScope(state, id) && (!state.scope?.checkOnly || entry?.spec !== undefined);
}
