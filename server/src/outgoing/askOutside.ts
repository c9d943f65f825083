import { lookup as resolveName } from 'node:dns';
import type { IncomingMessage } from 'node:http';
import { request as askHttp } from 'node:http';
import { request as askHttps } from 'node:https';
import type { LookupFunction } from 'node:net';
import { isIP } from 'node:net';
import { isPublic } from './isPublic';

/** A service elsewhere that could not be asked, in words for people. */
export class OutsideError extends Error {}

/** Which addresses the server may call besides public ones. */
export type Reach = {
  /** Those of this machine and its own network too. */
  anywhere?: boolean;
  /** These origins, such as the demo's own stand-ins. */
  origins?: ReadonlySet<string>;
};

export type Asked = {
  method?: 'GET' | 'POST';
  headers?: Record<string, string>;
  body?: string;
  /** The whole answer is there within so long, ms. */
  within: number;
  /** It is at most so long, bytes. */
  most: number;
  /** Ends it from elsewhere. */
  signal?: AbortSignal | undefined;
};

export type Answer = { status: number; type: string; text: string };

/**
 * Asks a service at an address that a person typed. Its name is resolved first, and what is not of
 * the internet is refused unless `reach` allows it: a page or a person must not make the server
 * read its own network. The connection goes to the very address that was looked at. Redirects are
 * not followed. Throws OutsideError.
 */
export async function askOutside(address: string, asked: Asked, reach: Reach): Promise<Answer> {
  const url = addressOf(address);
  const free = reach.anywhere === true || reach.origins?.has(url.origin) === true;
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (!free && isIP(host) > 0 && !isPublic(host)) throw new OutsideError(NOT_REACHED);
  const { method = 'GET', headers = {}, body, within, most, signal } = asked;
  const ask = url.protocol === 'https:' ? askHttps : askHttp;
  return new Promise((resolve, reject) => {
    let late: OutsideError | undefined;
    const fail = (error: Error) =>
      reject(late ?? (error instanceof OutsideError ? error : new OutsideError(wordsOf(error))));
    const request = ask(
      url,
      {
        method,
        headers,
        agent: false,
        ...(signal && { signal }),
        ...(!free && { lookup: onlyPublic }),
      },
      (answer) => void readAll(answer, most).then(resolve, fail),
    );
    const timer = setTimeout(() => {
      late = new OutsideError(`No whole answer came within ${within / 1000} s.`);
      request.destroy(late);
    }, within);
    request.once('error', fail);
    request.once('close', () => clearTimeout(timer));
    request.end(body);
  });
}

/** An address that can be asked. Throws OutsideError. */
export function addressOf(address: string): URL {
  const url = URL.canParse(address) ? new URL(address) : undefined;
  if (!url || !['http:', 'https:'].includes(url.protocol)) {
    throw new OutsideError('The address begins with https:// or http://.');
  }
  if (url.username || url.password) {
    throw new OutsideError('A key stands in its own field, not in the address.');
  }
  return url;
}

const NOT_REACHED =
  'The address lies on this machine or its own network, which is not called. LONGBAR_ALLOW_PRIVATE=1 allows it.';

const onlyPublic: LookupFunction = (name, options, done) => {
  resolveName(name, { ...options, all: true }, (error, found) => {
    if (error) return done(error, []);
    if (!found.every(({ address }) => isPublic(address))) {
      return done(new OutsideError(NOT_REACHED), []);
    }
    const [first] = found;
    if (options.all) done(null, found);
    else done(null, first?.address ?? '', first?.family);
  });
};

async function readAll(answer: IncomingMessage, most: number): Promise<Answer> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of answer) {
    if (!Buffer.isBuffer(part)) continue;
    size += part.length;
    if (size > most) throw new OutsideError('The answer is too long.');
    parts.push(part);
  }
  const { statusCode: status = 0, headers } = answer;
  const text = Buffer.concat(parts).toString('utf8');
  return { status, type: headers['content-type'] ?? '', text };
}

const WORDS: Readonly<Record<string, string>> = {
  ENOTFOUND: 'There is no such address.',
  EAI_AGAIN: 'The name of the address could not be looked up.',
  ECONNREFUSED: 'Nothing answers at the address.',
  ECONNRESET: 'The answer was cut off.',
  ETIMEDOUT: 'Nothing answers at the address.',
};

function wordsOf(error: NodeJS.ErrnoException): string {
  return WORDS[error.code ?? ''] ?? `It could not be asked: ${error.message}`;
}
