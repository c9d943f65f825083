import type { JobEvent } from '@longbar/core';
import { inOrder, sealedText } from '@longbar/core';
import { sha256 } from './blobs';

/** The seal of a signed job: the SHA-256 of what it covers. Null where it is not signed. */
export function sealOf(standing: readonly JobEvent[]): string | null {
  const text = sealedText(standing);
  return text === null ? null : sha256(Buffer.from(text));
}

/** The signature among the events that stand. */
export function signatureIn(standing: readonly JobEvent[]): JobEvent | undefined {
  return inOrder(standing).find(({ type }) => type === 'job.signed');
}
