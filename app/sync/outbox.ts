import type { Issue, JobEvent } from '@longbar/core';
import { ErrorSchema, ignore } from '@longbar/core';
import * as v from 'valibot';
import type { Outgoing, PhoneDatabase } from '../phone/phoneDatabase';

/** How a send ended: all gone, nobody there, or one step done with more to come. */
export type SendResult = 'empty' | 'unreachable' | 'progress';

/** What is asked of the server; `bytes` instead of a body for a photo or clip. */
export type Request = {
  path: string;
  /** POST, or PUT for bytes, unless it says otherwise. */
  method?: 'PATCH';
  body?: unknown;
  bytes?: { type: string; body: ArrayBuffer };
};
type Ask = (request: Request) => Promise<{ status: number; body: unknown }>;

const BATCH = 200;

/** It is too much or too slow now, or another shop answers: what waits is no worse for it. */
const WAITS = new Set([408, 421, 429]);

/**
 * Sends what is oldest in the outbox: a job's head, or a run of events of one job. What the
 * server refuses is set aside with its reason and the rest goes on; when it does not answer
 * or fails itself, nothing is touched and it is tried again later.
 */
export async function sendOldest(db: PhoneDatabase, ask: Ask, batch = BATCH): Promise<SendResult> {
  const waiting = await db.outgoing(batch);
  const first = waiting[0];
  if (!first) return 'empty';
  const run = first.kind === 'event' ? sameJob(waiting, first.event.job) : [first];
  const answer = await ask(await requestOf(db, run)).catch(
    ignore('what was not sent stays in the outbox'),
  );
  if (!answer || answer.status >= 500 || WAITS.has(answer.status)) return 'unreachable';
  if (answer.status < 300) {
    await db.sent(run.map(({ seq }) => seq));
    return 'progress';
  }
  const { message, issues } = errorOf(answer.body, answer.status);
  const named = run.filter((_, i) => issues.some(({ path }) => path.split('.')[0] === String(i)));
  if (run.length === 1) await db.setAside(run, message);
  else if (named.length > 0) await db.setAside(named, message);
  // Refused as a whole without naming any: one by one shows which.
  else return sendOldest(db, ask, 1);
  return 'progress';
}

type Waiting = Awaited<ReturnType<PhoneDatabase['outgoing']>>;

function sameJob(waiting: Waiting, job: string): Waiting {
  const end = waiting.findIndex((item) => item.kind !== 'event' || item.event.job !== job);
  return end < 0 ? waiting : waiting.slice(0, end);
}

async function requestOf(db: PhoneDatabase, run: readonly Outgoing[]): Promise<Request> {
  const first = run[0] as Outgoing;
  if (first.kind === 'job') return { path: '/jobs', body: first.head };
  if (first.kind === 'blob') {
    const path = `/blobs/${first.sha256}`;
    const kept = await db.blob(first.sha256);
    return { path, bytes: kept ?? { type: '', body: new ArrayBuffer(0) } };
  }
  if (first.kind === 'machine') return { path: '/machines', body: first.machine };
  if (first.kind === 'change') {
    return { path: `/machines/${first.machine}`, method: 'PATCH', body: first.patch };
  }
  if (first.kind === 'hours') {
    return { path: `/machines/${first.machine}/hours`, body: first.reading };
  }
  const body = run.flatMap((item): JobEvent[] => (item.kind === 'event' ? [item.event] : []));
  return { path: `/jobs/${first.event.job}/events`, body };
}

function errorOf(body: unknown, status: number): { message: string; issues: Issue[] } {
  const result = v.safeParse(ErrorSchema, body);
  return result.success
    ? result.output.error
    : { message: `The server answered ${status}.`, issues: [] };
}

/** Waits between tries, ms: soon at first, then patiently. */
export function retryDelay(failures: number): number {
  return Math.min(30_000, 500 * 2 ** Math.min(failures, 6));
}
