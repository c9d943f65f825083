import { issuesOf } from '@longbar/core';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import * as v from 'valibot';
import { RequestError } from '../requestError';

/** What came in, checked by its schema; a RequestError 400 that names each field if not. */
export function checked<Schema extends v.GenericSchema>(
  schema: Schema,
  input: unknown,
): v.InferOutput<Schema> {
  const result = v.safeParse(schema, input);
  if (result.success) return result.output;
  const issues = issuesOf(result.issues);
  const first = issues[0];
  throw new RequestError(400, first ? `${first.path}: ${first.message}` : 'Malformed.', issues);
}

export const notFound: RequestHandler = () => {
  throw new RequestError(404, 'There is nothing here.');
};

/** Every error as `{ error: { message, issues } }`; what is our fault is logged, not told. */
export const answerErrors: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error);
  const known = asRequestError(error);
  if (!known) request.log.error(error);
  const { status, message, issues } =
    known ?? new RequestError(500, 'Something went wrong here. It has been noted.');
  response.status(status).json({ error: { message, issues } });
};

const FULL = 'The server’s disk is full: nothing of this was kept there. Make room on it.';

/** The database could not be written: the disk is full, or fails. */
function diskFull(error: unknown): RequestError | undefined {
  const { parent } = Object(error) as { parent?: { code?: string } };
  const code = parent?.code ?? (Object(error) as { code?: string }).code;
  const full = code === 'SQLITE_FULL' || code === 'SQLITE_IOERR' || code === 'ENOSPC';
  return full ? new RequestError(507, FULL) : undefined;
}

function asRequestError(error: unknown): RequestError | undefined {
  if (error instanceof RequestError) return error;
  const full = diskFull(error);
  if (full) return full;
  // What Express and its body parser throw carries a status and a type.
  const { status, type } = Object(error) as { status?: number; type?: string };
  if (type === 'entity.too.large')
    return new RequestError(413, 'That is too large to send at once.');
  if (type === 'entity.parse.failed')
    return new RequestError(400, 'That is not JSON.', [{ path: '', message: 'That is not JSON.' }]);
  if (status !== undefined && status >= 400 && status < 500) {
    return new RequestError(status, 'That request cannot be read.');
  }
  return undefined;
}
