import type { JobContext, JobLine, MachineNote } from '@longbar/core';
import type { Database } from '../sql/database';
import { checkOf } from './jobReads';

type LastLeft = NonNullable<JobContext['lastLeft']>;

/**
 * What each adjuster was left at in the last of these jobs, newest first, that read it: a job may
 * have been about some kinds only. What a later job changed and did not read says nothing. The hours are those of the last signed job.
 */
export async function lastLeftOf(
  db: Database,
  jobs: readonly JobLine[],
): Promise<JobContext['lastLeft']> {
  let last: LastLeft | null = null;
  const unread = new Set<string>();
  for (const { id, summary } of jobs.filter((job) => job.summary.signed)) {
    const { hours, left, shims, leftUnread = [] } = await checkOf(db, id);
    const readings = Object.fromEntries(Object.entries(left).filter(([id]) => !unread.has(id)));
    leftUnread.forEach((id) => unread.add(id));
    const own = { hours, readings, shims };
    last = last ? withEarlier(last, own) : own;
    if (summary.scope?.kinds === undefined) break;
  }
  return last;
}

/** What an earlier check left, under what the later ones did. */
function withEarlier(last: LastLeft, before: LastLeft): LastLeft {
  const { hours } = before;
  const untouched = Object.keys(before.readings).filter((id) => !last.readings[id]);
  const earlier = hours ? Object.fromEntries(untouched.map((id) => [id, hours])) : {};
  return {
    hours: last.hours,
    readings: { ...before.readings, ...last.readings },
    shims: { ...before.shims, ...last.shims },
    earlier: { ...earlier, ...last.earlier },
  };
}

/** What these jobs noted for the next one at the machine. */
export function notesOf(jobs: readonly JobLine[]): MachineNote[] {
  return jobs.flatMap(({ summary }) => summary.notes);
}
