import type { Issue } from '@longbar/core';
import { ErrorSchema } from '@longbar/core';
import * as v from 'valibot';

/**
 * Why the server did not take something, or that it did not answer. Only where it was not reached is
 * it known that nothing was changed.
 */
export function refusalOf(error: object): { message: string; issues: Issue[] } {
  const isUnreached = statusOf(error) === 'FETCH_ERROR';
  return saidIn(error) ?? { message: isUnreached ? UNCHANGED : PERHAPS_CHANGED, issues: [] };
}

/** Why the server did not tell what it was asked for. */
export function whyUntold(error: object): string {
  const isUnreached = ['FETCH_ERROR', 'TIMEOUT_ERROR'].includes(String(statusOf(error)));
  return saidIn(error)?.message ?? (isUnreached ? UNREACHED : UNANSWERED);
}

function saidIn(error: object) {
  const body = v.safeParse(ErrorSchema, 'data' in error ? error.data : undefined);
  return body.success ? body.output.error : undefined;
}

const statusOf = (error: object) => ('status' in error ? error.status : undefined);

const UNREACHED = 'The server could not be reached.';
const UNANSWERED = 'The server did not answer as it should.';
const UNCHANGED = `${UNREACHED} Nothing was changed.`;
const PERHAPS_CHANGED = `${UNANSWERED} It may have been done all the same: look before it is tried again.`;
