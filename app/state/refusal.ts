import type { Issue } from '@longbar/core';
import { ErrorSchema } from '@longbar/core';
import * as v from 'valibot';

/** Why the server did not take something, or that it did not answer. */
export function refusalOf(error: object): { message: string; issues: Issue[] } {
  const body = v.safeParse(ErrorSchema, 'data' in error ? error.data : undefined);
  if (body.success) return body.output.error;
  const isLate = 'status' in error && error.status === 'TIMEOUT_ERROR';
  return {
    message: isLate ? LATE : 'The server could not be reached. Nothing was changed.',
    issues: [],
  };
}

const LATE =
  'The server has not answered in time. It may have been done all the same: look before it is tried again.';
