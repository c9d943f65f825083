import { ErrorSchema } from '@longbar/core';
import * as v from 'valibot';
import type { PhoneDatabase } from '../phone/phoneDatabase';

/** Whether a PIN is right; else why not, for a person. */
export type PinAnswer = { right: true } | { right: false; why: string };

type Post = (path: string, body: object) => Promise<{ status: number; body: unknown }>;

/** After so many wrong ones without signal the server is asked again. */
const TRIES = 5;
/** Some tenths of a second on a phone. */
const COST = { N: 2 ** 14, r: 8, p: 1, dkLen: 32 };

/**
 * Asks the server for somebody's PIN; without signal the phone knows it once it worked there, and
 * forgets it after five wrong ones.
 */
export async function tryPin(
  db: PhoneDatabase,
  name: string,
  pin: string,
  post: Post,
): Promise<PinAnswer> {
  const answer = await post('/people/pin', { name, pin }).catch(() => undefined);
  // A phone that was let go in the middle of a job goes on by what it knows.
  if (!answer || answer.status >= 500 || answer.status === 401) return tryKept(db, name, pin);
  if (answer.status < 300) {
    const { randomBytes, scryptAsync } = await import('../phone/noble');
    const salt = randomBytes(16);
    await db.keepPin({ name, salt, hash: await scryptAsync(pin, salt, COST), wrong: 0 });
    return { right: true };
  }
  const said = v.safeParse(ErrorSchema, answer.body);
  const why = said.success ? said.output.error.message : 'The server did not take it.';
  return { right: false, why };
}

async function tryKept(db: PhoneDatabase, name: string, pin: string): Promise<PinAnswer> {
  const kept = await db.pin(name);
  if (!kept) {
    const why = `This phone does not know the PIN of ${name} yet. It needs the server once.`;
    return { right: false, why };
  }
  const wrong = kept.wrong + 1;
  // Counted before it is looked at: closing the page in between wins no try.
  if (wrong >= TRIES) await db.forgetPin(name);
  else await db.keepPin({ ...kept, wrong });
  const { scryptAsync } = await import('../phone/noble');
  const hash = await scryptAsync(pin, kept.salt, COST);
  if (!isSame(hash, kept.hash)) return { right: false, why: `That is not the PIN of ${name}.` };
  await db.keepPin({ ...kept, wrong: 0 });
  return { right: true };
}

function isSame(a: Uint8Array, b: Uint8Array): boolean {
  return a.length === b.length && a.every((byte, i) => byte === b[i]);
}
