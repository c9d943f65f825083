import type { Answered } from '../api/request';
import { request } from '../api/request';
import type { Request } from './outbox';

/** What the server answers to a plain question. Throws where it does not. */
export async function get(path: string): Promise<unknown> {
  const { ok, status, body } = await request(path);
  if (!ok) throw new Error(`The server answered ${status}.`);
  return body;
}

/** A plain question, given up after ten seconds. */
export async function lookAt(path: string, method: 'GET' | 'HEAD' = 'GET'): Promise<Answered> {
  return request(path, { method, signal: AbortSignal.timeout(ANSWER_WITHIN) });
}

const ANSWER_WITHIN = 10_000;
/** A photo takes its time where the signal is weak, ms. */
const BYTES_WITHIN = 120_000;

/** Something that is sent, given up after as long as it may take. */
export async function ask(
  { path, method, body, bytes }: Request,
  within = bytes ? BYTES_WITHIN : ANSWER_WITHIN,
): Promise<Answered> {
  return request(path, {
    method: method ?? (bytes ? 'PUT' : 'POST'),
    headers: { 'content-type': bytes?.type ?? 'application/json' },
    body: bytes?.body ?? JSON.stringify(body),
    signal: AbortSignal.timeout(within),
  });
}
