import type { Issue } from '@longbar/core';

/** A request that cannot be served: the status and what to tell the one who asked. */
export class RequestError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly issues: Issue[] = [],
  ) {
    super(message);
  }
}

/** Input that one field of makes wrong. */
export function wrongField(path: string, message: string, status = 400): RequestError {
  return new RequestError(status, message, [{ path, message }]);
}
