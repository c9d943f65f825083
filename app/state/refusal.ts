import type { Issue } from '@longbar/core';
import { ErrorSchema } from '@longbar/core';
import * as v from 'valibot';

/**
 * Why the server did not take something, or that it did not answer. Only where it was not reached is
 * it known that nothing was changed.
 */
export function refusalOf(error: object): { message: string; issues: Issue[] } {
  const body = v.safeParse(ErrorSchema, 'data' in error ? error.data : undefined);
  if (body.success) return body.output.error;
  const isUnreached = 'status' in error && error.status === 'FETCH_ERROR';
  return { message: isUnreached ? UNREACHED : UNANSWERED, issues: [] };
}

const UNREACHED = 'The server could not be reached. Nothing was changed.';
const UNANSWERED =
  'The server did not answer as it should. It may have been done all the same: look before it is tried again.';
