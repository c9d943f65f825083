import { ignore } from '@longbar/core';
import { hex } from './hex';
import type { OwnKey, PhoneDatabase } from './phoneDatabase';

const NAME = 'Ed25519';

/** This phone's key, made where it has none yet. */
export async function ownKey(db: PhoneDatabase): Promise<OwnKey> {
  const kept = await db.ownKey();
  if (kept) return kept;
  const made =
    (await madeByBrowser().catch(ignore('a browser without Ed25519 keeps the secret itself'))) ??
    (await madeHere());
  await db.keepOwnKey(made);
  return made;
}

/** A pair whose secret no script can read. */
async function madeByBrowser(): Promise<OwnKey | undefined> {
  if (!globalThis.isSecureContext) return undefined;
  const pair = await crypto.subtle.generateKey({ name: NAME }, false, ['sign', 'verify']);
  if (!('privateKey' in pair)) return undefined;
  const key = hex(new Uint8Array(await crypto.subtle.exportKey('raw', pair.publicKey)));
  return { key, secret: pair.privateKey, registered: null, name: null };
}

async function madeHere(): Promise<OwnKey> {
  const { getPublicKey, utils } = await plain();
  const secret = utils.randomSecretKey();
  return { key: hex(getPublicKey(secret)), secret, registered: null, name: null };
}

/** Ed25519 in plain script. */
async function plain() {
  const { getPublicKey, hashes, sha512, sign, utils } = await import('./noble');
  hashes.sha512 = (message) => new Uint8Array(sha512(message));
  return { getPublicKey, sign, utils };
}

/** The signature of a key over a text, hex. */
export async function signWith({ secret }: OwnKey, text: string): Promise<string> {
  const bytes = new TextEncoder().encode(text);
  const signature =
    secret instanceof Uint8Array
      ? (await plain()).sign(bytes, secret)
      : new Uint8Array(await crypto.subtle.sign(NAME, secret, bytes));
  return hex(signature);
}
