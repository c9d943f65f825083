import { middleOf } from '../../gauging/reading';
import type { JobState } from '../journal/state';

/** What one person's locking did to one gap: its middle before and after, µm. */
export type KeptLockPair = { by: string; before: number; after: number };

/** Each adjuster of a job that was read both before and after its nut was locked. */
export function lockPairsOf({ adjusters }: Pick<JobState, 'adjusters'>): KeptLockPair[] {
  return Object.values(adjusters).flatMap(({ set, left, locked }) => {
    const [before, after] = [set && middleOf(set), left && middleOf(left)];
    if (!locked || before === undefined || after === undefined) return [];
    return [{ by: locked.by, before, after }];
  });
}
