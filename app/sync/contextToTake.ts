import type { JobContext } from '@longbar/core';
import { JobContextSchema } from '@longbar/core';
import * as v from 'valibot';
import type { KeptJob } from '../state/jobs';
import { goesOn } from '../state/jobs';
import { get } from './ask';

/**
 * What a job is read with, from the server: where the phone has none of it, and anew of one that is
 * over, for its hours and the checks before it may have been put right since. Undefined where the
 * phone works on by what it has. Throws where the server does not answer.
 */
export async function contextToTake(
  job: string,
  known: KeptJob | undefined,
): Promise<JobContext | undefined> {
  if (known && goesOn(known)) return undefined;
  return v.parse(JobContextSchema, await get(`/jobs/${job}`));
}
