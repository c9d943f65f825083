import type { NextFunction, Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { RequestError } from '../requestError';
import type { EndpointName } from './rules';
import { endpointOf } from './rules';

/**
 * Serves only under the names it is known by. A page of another site whose name was made to point
 * here would else be taken for the application itself; an address cannot be made to.
 */
export function onlyKnownHosts(names: readonly string[]): RequestHandler {
  const known = new Set(
    ['localhost', hostname(), `${hostname()}.local`, ...names].map((name) => name.toLowerCase()),
  );
  return (request, _response, next) => {
    const name = (request.hostname ?? '').replace(/^\[|\]$/g, '').toLowerCase();
    if (isIP(name) > 0 || known.has(name)) return next();
    throw new RequestError(
      403,
      `This server does not go by the name ${name}. Add it to LONGBAR_HOSTS, or open it by its address.`,
    );
  };
}

const CHANGES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/**
 * Takes changes from its own pages and from what is no page at all: another site's page cannot
 * have a browser send them. Refused before anything of it is read.
 */
export function onlyOwnPages(devOrigin: string | undefined): RequestHandler {
  return (request, _response, next) => {
    if (!CHANGES.has(request.method)) return next();
    const { origin, host } = request.headers;
    const site = request.headers['sec-fetch-site'];
    const fromDev = devOrigin !== undefined && origin === devOrigin;
    const fromElsewhere =
      (site !== undefined && site !== 'same-origin' && site !== 'none') ||
      (origin !== undefined && hostOf(origin) !== host);
    if (fromElsewhere && !fromDev) {
      throw new RequestError(403, 'A page of another site may change nothing here.');
    }
    next();
  };
}

function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined;
}

/** What each place takes: JSON, an archive its lines. */
export const onlyOwnTypes: RequestHandler = (request, _response, next) => {
  if (!CHANGES.has(request.method) || request.method === 'DELETE') return next();
  const type = (request.headers['content-type'] ?? '').split(';')[0]?.trim().toLowerCase() ?? '';
  const { path } = request;
  // A photo's own route says what it takes: no form of another site can send a PUT.
  if (path.startsWith('/blobs')) return next();
  const wanted = path.startsWith('/archive') ? 'application/x-ndjson' : 'application/json';
  // Where nothing is sent there is nothing to name, as for loading the demo.
  const { headers } = request;
  const empty = Number(headers['content-length'] ?? 0) === 0 && !headers['transfer-encoding'];
  if (type === wanted || (empty && type === '')) return next();
  throw new RequestError(403, `Nothing is taken here as “${type.slice(0, 80)}”.`);
};

const A_MINUTE = 60_000;

/** What somebody is counted by; null where they are counted by something else. */
type Whose = (request: Request) => string | null;

const byAddress: Whose = ({ ip }) => ipKeyGenerator(ip ?? '');

/** So many requests a minute from one of them; who asks for more waits. */
function atMost(limit: number, whose: Whose): RequestHandler {
  return rateLimit({
    windowMs: A_MINUTE,
    limit,
    // What is left of a limit is told to nobody: that is a hash and a header for each with each tap.
    standardHeaders: false,
    legacyHeaders: false,
    keyGenerator: (request) => whose(request) ?? '',
    handler: (_request, response) => {
      response.set('Retry-After', String(A_MINUTE / 1000));
      throw new RequestError(429, 'That is too much at once. It waits a minute.');
    },
  });
}

type Limited = 'imports' | 'pairings' | 'beats' | 'streams' | 'writes';

/** What is counted by itself. */
const COUNTED: { readonly [Name in EndpointName]?: Limited } = {
  'POST /archive': 'imports',
  'POST /hours': 'imports',
  'POST /sheets/file': 'imports',
  'POST /pair': 'pairings',
  'POST /jobs/:id/beats': 'beats',
  'GET /jobs/:id/stream': 'streams',
};

/**
 * What a request counts as; most, that only read, count as nothing. It goes by the endpoint, as the
 * rules do, and not by how its path is spelt: what routes take in capitals too is counted too.
 */
function countedAs({ method, path }: Request): Limited[] {
  const endpoint = endpointOf(method, path);
  const own = endpoint && COUNTED[endpoint];
  return [...(own ? [own] : []), ...(CHANGES.has(method) ? (['writes'] as const) : [])];
}

/** Far above what a shop does behind one address, and below what takes it down. */
export const LIMITS = { imports: 120, pairings: 30, beats: 6_000, streams: 1_200, writes: 60_000 };
/** The same for one phone, and for one person with all of theirs. */
export const OF_ONE = { imports: 60, pairings: 30, beats: 2_000, streams: 400, writes: 20_000 };

/**
 * How much one address, phone or person may ask for: imports, tries of a pairing code, beats,
 * streams, and writes of all kinds. A limit is asked only about what it counts: to ask each about
 * each request took a sixth of a page's time.
 */
export function limits(most = LIMITS, whose: Whose = byAddress): RequestHandler {
  const each: Record<Limited, RequestHandler> = {
    imports: atMost(most.imports, whose),
    pairings: atMost(most.pairings, whose),
    beats: atMost(most.beats, whose),
    streams: atMost(most.streams, whose),
    writes: atMost(most.writes, whose),
  };
  return (request, response, next) => {
    const counted = countedAs(request);
    if (counted.length === 0 || whose(request) === null) return next();
    const pass = (i: number): NextFunction => {
      const kind = counted[i];
      if (kind === undefined) return next;
      return (error?: unknown) =>
        error ? next(error) : each[kind](request, response, pass(i + 1));
    };
    pass(0)();
  };
}
