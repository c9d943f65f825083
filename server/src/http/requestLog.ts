import { randomUUID } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { errorTold } from '../log';
import { endpointOf } from './rules';

/** An id that a proxy gave a request. */
const GIVEN = /^[\w-]{6,64}$/;

/**
 * One line of the log for each request once it is answered, at level `info`, and an id for it that
 * its answer carries as `X-Request-Id`. A line names the endpoint and never the address that was
 * asked for: addresses hold secrets, and what people look for.
 */
export function requestLog(logger: Logger): RequestHandler {
  return pinoHttp({
    logger,
    wrapSerializers: false,
    serializers: {
      req: ({ id, method = '', url = '', originalUrl = url }: Asked) => ({
        id,
        asks: askedAt(method, originalUrl),
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      err: errorTold,
    },
    customLogLevel: (_request, { statusCode }) => (statusCode >= 500 ? 'warn' : 'info'),
    genReqId: (request, response) => {
      const given = request.headers['x-request-id'];
      const id = typeof given === 'string' && GIVEN.test(given) ? given : shortId();
      response.setHeader('X-Request-Id', id);
      return id;
    },
  });
}

/** Short enough to be read out over the telephone; all of these places of a UUID are random. */
const shortId = () => randomUUID().replace('-', '').slice(0, 10);

type Asked = IncomingMessage & { id?: unknown; originalUrl?: string };

/** The endpoint that is asked, as `http/rules.ts` names it, without what is secret in its address. */
export function askedAt(method: string, url: string): string {
  const path = url.split('?')[0] ?? '';
  if (!path.startsWith('/api/')) return 'a page';
  return endpointOf(method, path.slice('/api'.length)) ?? 'nothing there';
}
