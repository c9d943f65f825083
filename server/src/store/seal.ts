import type { JobEvent } from '@longbar/core';
import { inOrder } from '@longbar/core';
import { sha256 } from './blobs';

/** The same value as text whatever the order of its keys. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const entries = Object.entries(value)
    .filter(([, part]) => part !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, part]) => `${JSON.stringify(key)}:${canonical(part)}`).join(',')}}`;
}

/**
 * The seal of a signed job: SHA-256 over the events that stood when it was signed, in the order
 * that counts, up to the signature, each as canonical JSON on a line. Null where it is not signed.
 * What came later is late and is none of them.
 */
export function sealOf(standing: readonly JobEvent[]): string | null {
  const journal = inOrder(standing);
  const signature = journal.findIndex(({ type }) => type === 'job.signed');
  if (signature < 0) return null;
  const lines = journal.slice(0, signature + 1).map((event) => `${canonical(event)}\n`);
  return sha256(Buffer.from(lines.join('')));
}

/** The signature among the events that stand. */
export function signatureIn(standing: readonly JobEvent[]): JobEvent | undefined {
  return inOrder(standing).find(({ type }) => type === 'job.signed');
}
