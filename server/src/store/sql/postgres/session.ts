import { ignore } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';
import * as v from 'valibot';
import type { Heard, Told } from '../others';
import { heedful } from './connection';

/** On which processes of one database hear each other. */
const CHANNEL = 'longbar';
/** What one message holds at most, bytes; the database takes 8000. */
const MOST = 7500;
/** What is told within so long goes together, ms: each message costs a transaction. */
const TOGETHER = 10;
/** What waits at most while the database is away; then others are told that they missed it. */
const MOST_WAITING = 1000;
/** Tried again after, ms. */
const AGAIN = 500;
/** Looked at so often whether it still answers, ms; a cable that was pulled says nothing. */
const ALIVE = 10_000;
/** The kind of what is locked. */
const WORK = 3;

const MessageSchema = v.tupleWithRest([v.string()], v.string());
const ToldSchema = v.tuple([v.number(), v.string(), v.optional(v.unknown())]);
/** Something may have been told that nobody passed on. */
const MISSED = 'missed';

/**
 * One lasting connection of a process, by which it hears other processes on the database, tells them
 * something, and holds what one of them does at a time. It is made anew whenever it is cut; whoever
 * hears is told then that something may have been missed.
 */
export class Session {
  private readonly id = randomUUID();
  private client: pg.Client | undefined;
  private readonly hearers = new Set<(heard: Heard) => void>();
  private readonly doing = new Set<string>();
  private waiting = new Set<string>();
  private sending: Promise<void> | undefined;
  private readonly alive: NodeJS.Timeout;
  private closed = false;

  private constructor(private readonly url: string) {
    this.alive = setInterval(() => this.client?.query('SELECT 1').catch(this.cut), ALIVE).unref();
  }

  /** The first connection stands once this answers. */
  static async begin(url: string): Promise<Session> {
    const session = new Session(url);
    await session.connect();
    return session;
  }

  hear(hearer: (heard: Heard) => void): void {
    this.hearers.add(hearer);
  }

  tell({ shop, topic, said }: Told): void {
    const text = JSON.stringify([shop, topic, said]);
    // Whoever hears a topic without what was said forgets all that it is about.
    this.waiting.add(Buffer.byteLength(text) > MOST / 2 ? JSON.stringify([shop, topic]) : text);
    if (this.waiting.size > MOST_WAITING) this.waiting = new Set([MISSED]);
    this.sending ??= wait(TOGETHER)
      .then(() => this.send())
      .catch(ignore('it is told once there is a connection again'))
      .finally(() => (this.sending = undefined));
  }

  /** Does something once no other process does the same, and keeps them from it meanwhile. */
  async alone(what: string, work: () => Promise<void>): Promise<void> {
    while (!(await this.take(what))) {
      await wait(AGAIN);
      if (this.closed) return;
    }
    try {
      await work();
    } finally {
      this.doing.delete(what);
      const free = `SELECT pg_advisory_unlock(${WORK}, hashtext($1))`;
      await this.client
        ?.query(free, [what])
        .catch(ignore('a connection that was cut holds it no longer'));
    }
  }

  async close(): Promise<void> {
    clearInterval(this.alive);
    await this.sending;
    this.closed = true;
    await this.client?.end();
  }

  private async take(what: string): Promise<boolean> {
    if (this.doing.has(what) || !this.client) return false;
    this.doing.add(what);
    const ask = `SELECT pg_try_advisory_lock(${WORK}, hashtext($1)) AS taken`;
    const answer = await this.client
      .query<{ taken: boolean }>(ask, [what])
      .catch(ignore('it is tried again'));
    const taken = answer?.rows[0]?.taken === true;
    if (!taken) this.doing.delete(what);
    return taken;
  }

  private async send(): Promise<void> {
    while (this.waiting.size > 0 && this.client) {
      const told = [...this.waiting];
      this.waiting = new Set();
      try {
        for (const message of messagesOf(this.id, told)) {
          await this.client.query('SELECT pg_notify($1, $2)', [CHANNEL, message]);
        }
      } catch (error) {
        this.waiting = new Set([...told, ...this.waiting]);
        throw error;
      }
    }
  }

  private readonly cut = (error: unknown): void => {
    ignore('another connection is made')(error);
    const { client } = this;
    if (!client) return;
    this.client = undefined;
    client.end().catch(ignore('it was cut already'));
    void this.connectAgain();
  };

  private async connectAgain(): Promise<void> {
    while (!this.closed && !this.client) {
      await wait(AGAIN, undefined, { ref: false });
      await this.connect().catch(ignore('it is tried again'));
    }
    this.hearers.forEach((hearer) => hearer(undefined));
    await this.send().catch(ignore('it is told once there is a connection again'));
  }

  private async connect(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.url,
      application_name: 'longbar session',
      query_timeout: 5000,
      // What is told, asked and looked at goes one behind the other, whoever asks.
      pipeline: true,
      ...heedful(2 * ALIVE),
    });
    client.on('error', (error) => (this.client === client ? this.cut(error) : undefined));
    client.on('notification', ({ payload = '' }) => this.heard(payload));
    await client.connect();
    // What is only told needs not be on the disk before.
    await client.query(`SET synchronous_commit = off; LISTEN ${CHANNEL}`);
    if (this.closed) await client.end();
    else this.client = client;
  }

  private heard(payload: string): void {
    for (const told of this.toldIn(payload)) this.hearers.forEach((hearer) => hearer(told));
  }

  /** What another process tells; what cannot be read, as of another version, may have been anything. */
  private toldIn(payload: string): Heard[] {
    try {
      const [from, ...texts] = v.parse(MessageSchema, JSON.parse(payload));
      return from === this.id ? [] : texts.map(toldBy);
    } catch (error) {
      ignore('whatever it was, all who hear look again')(error);
      return [undefined];
    }
  }
}

function toldBy(text: string): Heard {
  if (text === MISSED) return undefined;
  const [shop, topic, said] = v.parse(ToldSchema, JSON.parse(text));
  return { shop, topic, said };
}

/** What is told, in as few messages as hold it. */
function messagesOf(id: string, told: readonly string[]): string[] {
  const messages: string[][] = [];
  let held = MOST;
  for (const text of told) {
    const size = Buffer.byteLength(JSON.stringify(text)) + 1;
    if (held + size > MOST) {
      messages.push([id]);
      held = 50;
    }
    messages.at(-1)?.push(text);
    held += size;
  }
  return messages.map((each) => JSON.stringify(each));
}
