import { Agent, request } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { SeededRandom } from '@longbar/core';
import * as v from 'valibot';
import type { Database } from '../server/src/store/sql/database';
import { doorOf } from '../server/src/store/yard/door';
import { beginPairing, pair } from '../server/src/store/yard/pairing';
import type { Line } from './line';
import { quantile } from './line';

/** Between the end of an answer and the next question, ms. */
const PAUSE = 50;

/** A phone of a shop, and the port that answers it. */
export type Phone = { port: number; cookie: string };
/** A phone that looks about in a yard of these machines. */
export type Client = Phone & { ids: readonly string[] };

/** How long each kind of page took, ms. */
export type Answers = Record<string, number[]>;

/** What was measured with so many shops asked. */
export type Measured = {
  shops: number;
  clients: number;
  answers: Answers;
  /** Kept, each by itself, a second. */
  appends: number;
};

/** Pairs a phone with a shop: the cookie that it asks with. */
export async function pairWith(db: Database): Promise<string> {
  const now = new Date();
  const { code } = await beginPairing(db, 'foreman', now);
  const { token } = await pair(db, { code, name: 'Bench' }, now);
  return `${(await doorOf(db)).cookie}=${token}`;
}

/**
 * Connections of its own for each load, used in turn: one that has lain idle is closed at the other
 * end, at the very moment when it may be asked by.
 */
export const ownConnections = () => new Agent({ keepAlive: true, scheduling: 'fifo' });

type Asked = { method?: 'GET' | 'POST'; headers?: Record<string, string>; body?: string };

/** The whole answer, as a browser asks for it; unpacked it is not, for that is the browser's. */
export function ask(
  { port, cookie }: Phone,
  path: string,
  agent?: Agent,
  { method = 'GET', headers = { 'accept-encoding': 'gzip' }, body }: Asked = {},
): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const options = { method, port, path: `/api${path}`, headers: { ...headers, cookie } };
    request({ ...options, ...(agent && { agent }) }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () => {
        if (answer.statusCode === 200) resolve(Buffer.concat(parts));
        else
          reject(
            new Error(`${path} answered ${answer.statusCode}: ${String(Buffer.concat(parts))}`),
          );
      });
    })
      .on('error', reject)
      .end(body);
  });
}

const YardSchema = v.array(v.object({ id: v.string() }));

/** The ids of all machines of a phone's shop. */
export async function machinesOf(phone: Phone): Promise<string[]> {
  const plain = { headers: { 'accept-encoding': 'identity' } };
  const yard = JSON.parse(String(await ask(phone, '/machines', undefined, plain)));
  return v.parse(YardSchema, yard).map(({ id }) => id);
}

/** Each asks for a page, reads it, waits, and asks again, until `done`. */
export async function load(clients: readonly Client[], done: Promise<unknown>): Promise<Answers> {
  const answers: Answers = { 'yard board': [], 'machine page': [], 'drift of one machine': [] };
  const agent = ownConnections();
  let going = true;
  const end = () => (going = false);
  done.then(end, end);
  const lookAbout = async (client: Client, seed: number) => {
    const chance = new SeededRandom(seed);
    while (going) {
      const id = chance.one(client.ids);
      const [page, path] = chance.one([
        ['yard board', '/machines'],
        ['machine page', `/machines/${id}`],
        ['drift of one machine', `/machines/${id}/checks`],
      ] as const);
      const begun = performance.now();
      await ask(client, path, agent);
      answers[page]?.push(performance.now() - begun);
      await pause(PAUSE);
    }
  };
  await Promise.all(clients.map((client, i) => lookAbout(client, i + 1)));
  agent.destroy();
  return answers;
}

/** Each machine's page and drift once, by all clients together: nothing of it was asked for before. */
export async function firstAnswers(clients: readonly Client[]): Promise<Answers> {
  const answers: Answers = { 'machine page': [], 'drift of one machine': [] };
  const agent = ownConnections();
  const waiting = (clients[0]?.ids ?? []).flatMap((id) => [
    ['machine page', `/machines/${id}`] as const,
    ['drift of one machine', `/machines/${id}/checks`] as const,
  ]);
  const lookAbout = async (client: Client) => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [page, path] = next;
      const begun = performance.now();
      await ask(client, path, agent);
      answers[page]?.push(performance.now() - begun);
      await pause(PAUSE);
    }
  };
  await Promise.all(clients.map(lookAbout));
  agent.destroy();
  return answers;
}

/** One line for each kind of page: its 95th percentile, and the most that is wanted. */
export function answerLines(whose: string, answers: Answers, most: number): Line[] {
  return Object.entries(answers).map(([page, took]) => {
    const [p50, p95] = [quantile(took, 0.5), quantile(took, 0.95)];
    return {
      what: `${page} of ${whose}, 95th percentile`,
      figure: `${p95.toFixed(1)} ms (median ${p50.toFixed(1)} ms, worst ${Math.max(...took).toFixed(0)} ms of ${took.length})`,
      wanted: `at most ${most.toFixed(0)} ms`,
      held: p95 <= most,
    };
  });
}
