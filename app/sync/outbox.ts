import { itemAt, ErrorSchema, ignore } from '@longbar/core';
import type { Issue, JobEvent } from '@longbar/core';
import * as v from 'valibot';
import type { Held, Outgoing, PhoneDatabase } from '../phone/phoneDatabase';
import { proofOf } from './proof';

/** How one step ended: all gone or waiting, nobody there, or a step done with more to come. */
export type SendResult = 'done' | 'unreachable' | 'progress';

/** What is asked of the server; `bytes` instead of a body for a photo or clip. */
export type Request = {
  path: string;
  /** POST, or PUT for bytes, unless it says otherwise. */
  method?: 'PATCH' | 'PUT';
  body?: unknown;
  bytes?: { type: string; body: ArrayBuffer };
};
type Ask = (request: Request) => Promise<{ status: number; body: unknown }>;

const BATCH = 200;

/** It is too much or too slow now, or nobody may send: all of it waits and is no worse for it. */
const ALL_WAITS = new Set([401, 408, 429]);

/** What the server looks at item by item: only what it names then is set aside. */
const JUDGED = new Set([400, 409]);

/** One walk through the outbox. */
export type Walk = {
  /** What came up to here was sent, set aside or left waiting. */
  after: number;
  /** What waits on this walk, and why. */
  held: Held[];
  /** What is not on the server, by its key, and why: what rests on it waits too. */
  missing: Map<string, string>;
};

/** A walk from the oldest on. What was set aside before is missing on the server. */
export async function beginWalk(db: PhoneDatabase): Promise<Walk> {
  const walk: Walk = { after: -1, held: [], missing: new Map() };
  for (const { item, why } of await db.aside()) miss(walk, item, why);
  return walk;
}

/**
 * Sends what is oldest of a walk: a head, a photo, or a run of events of one job. What the server
 * names as wrong is set aside with its reason. What it cannot take now waits, with what rests on
 * it, and the rest goes on. When it does not answer or fails itself, nothing is touched.
 */
export async function sendOldest(
  db: PhoneDatabase,
  ask: Ask,
  walk: Walk,
  batch = BATCH,
): Promise<SendResult> {
  const waiting = await db.outgoing(batch, walk.after);
  if (waiting.length === 0) return 'done';
  const run = nextRun(waiting, walk);
  const first = run[0];
  if (!first) return 'progress';
  const request = await requestOf(db, run);
  if (request === undefined) return pass(db, walk, first);
  const answer = await ask(request).catch(ignore('what was not sent stays in the outbox'));
  if (!answer || answer.status >= 500 || ALL_WAITS.has(answer.status)) return 'unreachable';
  const { status } = answer;
  // A signature that does not fit is asked for on the record; nothing rests on it.
  if (status < 300 || (first.kind === 'proof' && JUDGED.has(status))) {
    await db.sent(run.map(({ seq }) => seq));
    return 'progress';
  }
  const { message, issues } = errorOf(answer.body, status);
  const named = JUDGED.has(status)
    ? run.filter((item, i) => issues.some(({ path }) => isNamed(path, item, i)))
    : [];
  if (named.length > 0) {
    await db.setAside(named, message);
    for (const item of named) miss(walk, item, message);
    return 'progress';
  }
  // Too much at once, or refused without naming any: half of it, and half of that, shows which.
  const parts = run.length > 1 && (JUDGED.has(status) || status === 413);
  if (parts) return sendOldest(db, ask, walk, Math.ceil(run.length / 2));
  for (const item of run) hold(walk, item, message);
  return 'progress';
}

/** A signature that cannot be made yet waits for this phone's key; one of nothing is none. */
async function pass(db: PhoneDatabase, walk: Walk, item: Item): Promise<SendResult> {
  const own = await db.ownKey();
  if (own?.registered) await db.sent([item.seq]);
  else hold(walk, item, 'The server does not know this phone’s key yet.');
  return 'progress';
}

type Waiting = Awaited<ReturnType<PhoneDatabase['outgoing']>>;
type Item = Waiting[number];

/** What goes next in one request; what rests on something that is missing is held on the way. */
function nextRun(waiting: Waiting, walk: Walk): Waiting {
  for (const [i, item] of waiting.entries()) {
    const why = missingUnder(walk, item);
    if (why !== undefined) hold(walk, item, why);
    else if (item.kind !== 'event') return [item];
    else return alike(waiting.slice(i), item.event.job, walk);
  }
  return [];
}

/** The events of one job that stand together and rest on nothing that is missing. */
function alike(waiting: Waiting, job: string, walk: Walk): Waiting {
  const end = waiting.findIndex(
    (item) =>
      item.kind !== 'event' || item.event.job !== job || missingUnder(walk, item) !== undefined,
  );
  return end < 0 ? waiting : waiting.slice(0, end);
}

/** Leaves an item where it is for this walk, and all that rests on it. */
function hold(walk: Walk, item: Item, why: string): void {
  const { seq, ...held } = item;
  walk.held.push({ item: held, why });
  walk.after = seq;
  miss(walk, item, why);
}

function miss(walk: Walk, item: Outgoing, why: string): void {
  const key = keyOf(item);
  if (key !== undefined) walk.missing.set(key, why);
}

/** Whether an issue of the server is about an item: an event by its place, all else as a whole. */
function isNamed(path: string, item: Outgoing, place: number): boolean {
  return item.kind !== 'event' || path.split('.')[0] === String(place);
}

/** What others rest on. */
function keyOf(item: Outgoing): string | undefined {
  if (item.kind === 'job') return `job ${item.head.id}`;
  if (item.kind === 'sheet') return `sheet ${item.sheet.id}`;
  return item.kind === 'machine' ? `machine ${item.machine.id}` : undefined;
}

/** Why an item cannot go yet: what it rests on is missing on the server. */
function missingUnder({ missing }: Walk, item: Outgoing): string | undefined {
  return missing.get(restsOn(item) ?? '');
}

/** An event rests on its job, all that is said of a machine on that. No event waits for a photo. */
function restsOn(item: Outgoing): string | undefined {
  switch (item.kind) {
    case 'event':
      return `job ${item.event.job}`;
    case 'proof':
      return `job ${item.job}`;
    case 'job':
      return `machine ${item.head.machine}`;
    case 'change':
    case 'hours':
      return `machine ${item.machine}`;
    case 'machine':
      return `sheet ${item.machine.sheet}`;
    case 'sheet':
    case 'blob':
    case 'practice':
      return undefined;
  }
}

/** What is asked for what goes next; undefined of a signature that cannot be made. */
async function requestOf(
  db: PhoneDatabase,
  run: readonly Outgoing[],
): Promise<Request | undefined> {
  const first = itemAt(run, 0);
  if (first.kind === 'job') return { path: '/jobs', body: first.head };
  if (first.kind === 'blob') {
    const path = `/blobs/${first.sha256}`;
    const kept = await db.blob(first.sha256);
    return { path, bytes: kept ?? { type: '', body: new ArrayBuffer(0) } };
  }
  if (first.kind === 'sheet') {
    const { id, revision, document } = first.sheet;
    return { path: '/sheets', body: { id, revision, document } };
  }
  if (first.kind === 'machine') return { path: '/machines', body: first.machine };
  if (first.kind === 'change') {
    return { path: `/machines/${first.machine}`, method: 'PATCH', body: first.patch };
  }
  if (first.kind === 'hours') {
    return { path: `/machines/${first.machine}/hours`, body: first.reading };
  }
  if (first.kind === 'practice') return { path: '/practice', body: first.round };
  if (first.kind === 'proof') {
    const proof = await proofOf(db, first.job, first.since);
    return proof && { path: `/jobs/${first.job}/signature`, body: proof };
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
