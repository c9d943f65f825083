import { issuesOf } from '@longbar/core';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import * as v from 'valibot';
import { RequestError } from '../requestError';
import type { Database } from '../store/sql/database';
import { databaseTrouble } from '../store/sql/trouble';

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
export function answerErrors(db: Database): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    // Who asked has left, and the server did not wait: what the closed database says is no trouble.
    if (db.isClosed()) {
      request.log.info(error, 'The server stopped before this was answered.');
      response.status(503).json({ error: { message: STOPPED, issues: [] } });
      return;
    }
    const known = asRequestError(error) ?? databaseError(db, error);
    if (!known || known.status === 503) request.log.error(error);
    const { status, message, issues } =
      known ??
      new RequestError(500, `Something went wrong here. It is noted as ${String(request.id)}.`);
    response.status(status).json({ error: { message, issues } });
  };
}

const STOPPED = 'The server is stopping. Nothing of this was lost.';
const AWAY = 'The server’s database does not answer just now. Nothing of this was lost.';
const FULL = 'The server’s disk is full: nothing of this was kept there. Make room on it.';

/** The database could not be written or read: it is away, its disk is full or fails, or it is damaged. */
function databaseError(db: Database, error: unknown): RequestError | undefined {
  const trouble = databaseTrouble(error);
  if (trouble === 'full') return new RequestError(507, FULL);
  if (trouble === 'away') return new RequestError(503, AWAY);
  if (trouble === undefined) return undefined;
  db.foundDamaged(error instanceof Error ? error.message : String(error));
  return new RequestError(503, db.damage() ?? '');
}

const ThrownSchema = v.object({ status: v.optional(v.number()), type: v.optional(v.string()) });

function asRequestError(error: unknown): RequestError | undefined {
  if (error instanceof RequestError) return error;
  // What Express and its body parser throw carries a status and a type.
  const thrown = v.safeParse(ThrownSchema, error);
  const { status, type } = thrown.success ? thrown.output : {};
  if (type === 'entity.too.large')
    return new RequestError(413, 'That is too large to send at once.');
  if (type === 'entity.parse.failed')
    return new RequestError(400, 'That is not JSON.', [{ path: '', message: 'That is not JSON.' }]);
  if (status !== undefined && status >= 400 && status < 500) {
    return new RequestError(status, 'That request cannot be read.');
  }
  return undefined;
}
