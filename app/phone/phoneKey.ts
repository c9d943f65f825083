import { ignore } from '@longbar/core';
import { getPublicKey, hashes, sign, utils } from '@noble/ed25519';
import { sha512 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { OwnKey, PhoneDatabase } from './phoneDatabase';

// Over plain HTTP the browser has no cryptography of its own.
hashes.sha512 = (message) => new Uint8Array(sha512(message));

const NAME = 'Ed25519';

/** This phone's key, made where it has none yet. */
export async function ownKey(db: PhoneDatabase): Promise<OwnKey> {
  const kept = await db.ownKey();
  if (kept) return kept;
  const made =
    (await madeByBrowser().catch(ignore('a browser without Ed25519 keeps the secret itself'))) ??
    madeHere();
  await db.keepOwnKey(made);
  return made;
}

/** A pair whose secret no script can read. */
async function madeByBrowser(): Promise<OwnKey | undefined> {
  if (!globalThis.isSecureContext) return undefined;
  const pair = await crypto.subtle.generateKey({ name: NAME }, false, ['sign', 'verify']);
  if (!('privateKey' in pair)) return undefined;
  const key = bytesToHex(new Uint8Array(await crypto.subtle.exportKey('raw', pair.publicKey)));
  return { key, secret: pair.privateKey, registered: null, name: null };
}

function madeHere(): OwnKey {
  const secret = utils.randomSecretKey();
  return { key: bytesToHex(getPublicKey(secret)), secret, registered: null, name: null };
}

/** The signature of a key over a text, hex. */
export async function signWith({ secret }: OwnKey, text: string): Promise<string> {
  const bytes = new TextEncoder().encode(text);
  const signature =
    secret instanceof Uint8Array
      ? sign(bytes, secret)
      : new Uint8Array(await crypto.subtle.sign(NAME, secret, bytes));
  return bytesToHex(signature);
}
