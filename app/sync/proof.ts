import type { JobContext, JobEvent, Signature } from '@longbar/core';
import { KeyRegisteredSchema, sealedText, signedText, signedWords } from '@longbar/core';
import * as v from 'valibot';
import { hex } from '../phone/hex';
import type { OwnKey, PhoneDatabase } from '../phone/phoneDatabase';
import { ownKey, signWith } from '../phone/phoneKey';

/**
 * This phone's signature over a job as it knows it; undefined where it does not know it as signed,
 * or where its key is not registered yet.
 * The server takes it only where the record it holds is the same, entry for entry.
 */
export async function proofOf(
  db: PhoneDatabase,
  job: string,
  at: string,
): Promise<Signature | undefined> {
  const own = await db.ownKey();
  if (!own?.registered || own.name === null) return undefined;
  const context = (await db.jobs()).find(({ head }) => head.id === job);
  const text = context && sealedText(standing(context, await db.eventsOf(job)));
  if (!context || text === undefined || text === null) return undefined;
  const { sha256, utf8ToBytes } = await import('../phone/noble');
  const words = signedWords(context.head, {
    machine: context.machineName,
    seal: hex(sha256(utf8ToBytes(text))),
    name: own.name,
    at,
  });
  return { words, key: own.key, signature: await signWith(own, signedText(words)) };
}

function standing({ late = [] }: JobContext, events: readonly JobEvent[]): JobEvent[] {
  return events.filter(({ id }) => !late.includes(id));
}

type Put = (path: string, body: object) => Promise<{ status: number; body: unknown }>;

/** Registers this phone's key with its shop, once in each life of its database. */
export async function registerKey(db: PhoneDatabase, life: string, put: Put): Promise<void> {
  const own: OwnKey = await ownKey(db);
  if (own.registered === life) return;
  const { body } = await put('/me/key', { key: own.key });
  const known = v.safeParse(KeyRegisteredSchema, body);
  if (known.success) await db.keepOwnKey({ ...own, registered: life, name: known.output.name });
}
