import type { Issue } from '@longbar/core';
import { ErrorSchema } from '@longbar/core';
import * as v from 'valibot';

/** Why the server did not take something, or that it did not answer. */
export function refusalOf(error: object): { message: string; issues: Issue[] } {
  const body = v.safeParse(ErrorSchema, 'data' in error ? error.data : undefined);
  return body.success
    ? body.output.error
    : { message: 'The server could not be reached. Nothing was changed.', issues: [] };
}
