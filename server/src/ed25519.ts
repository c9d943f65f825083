import { createPublicKey, verify } from 'node:crypto';
import type { Signature } from '@longbar/core';
import { signedText } from '@longbar/core';

/** Whether a signature was made by its key over its words. */
export function isByItsKey({ words, key, signature }: Signature): boolean {
  const x = Buffer.from(key, 'hex').toString('base64url');
  try {
    const publicKey = createPublicKey({ key: { kty: 'OKP', crv: 'Ed25519', x }, format: 'jwk' });
    const text = Buffer.from(signedText(words));
    return verify(null, text, publicKey, Buffer.from(signature, 'hex'));
  } catch {
    // Not every 32 bytes are a point of the curve.
    return false;
  }
}
