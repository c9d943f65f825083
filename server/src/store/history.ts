import type { JobContext, JobLine, MachineNote } from '@longbar/core';
import type { Database } from './database';
import { checkOf } from './jobReads';

/** What each adjuster was left at in the last signed of these jobs, newest first. */
export async function lastLeftOf(
  db: Database,
  jobs: readonly JobLine[],
): Promise<JobContext['lastLeft']> {
  const last = jobs.find(({ summary }) => summary.signed);
  if (!last) return null;
  const { hours, left, shims } = await checkOf(db, last.id);
  return { hours, readings: left, shims };
}

/** What these jobs noted for the next one at the machine. */
export function notesOf(jobs: readonly JobLine[]): MachineNote[] {
  return jobs.flatMap(({ summary }) => summary.notes);
}
