import type { JobContext, KeptLockPair, MachineNote } from '@longbar/core';
import type { JobRow } from './tables';

type Past = Pick<JobRow, 'summary'>;

/** What each adjuster was left at in the last signed of these jobs, newest first. */
export function lastLeftOf(jobs: readonly Past[]): JobContext['lastLeft'] {
  const last = jobs.find(({ summary }) => summary.signed);
  if (!last) return null;
  const { hours, left, shims } = last.summary;
  return { hours, readings: left, ...(shims && { shims }) };
}

/** What locking did in jobs on engines of one type, by person. */
export function lockPairsIn(jobs: readonly Past[]): KeptLockPair[] {
  return jobs.flatMap(({ summary }) => summary.lockPairs ?? []);
}

/** What these jobs noted for the next one at the machine. */
export function notesOf(jobs: readonly Past[]): MachineNote[] {
  return jobs.flatMap(({ summary }) => summary.notes ?? []);
}
