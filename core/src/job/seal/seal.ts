import { canonical } from '../../canonical';
import { inOrder } from '../journal/counting';
import type { JobEvent } from '../journal/events';

/**
 * What the seal of a signed job is the SHA-256 of: the events that stood when it was signed, in the
 * order that counts, up to the signature, each as canonical JSON on a line. Null where it is not
 * signed. What came later is late and is none of them.
 *
 * @param standing - the events that count, in any order
 */
export function sealedText(standing: Iterable<JobEvent>): string | null {
  const sealed = sealedEvents(standing);
  return sealed && sealed.map((event) => `${canonical(event)}\n`).join('');
}

/** The events that a seal covers, in their order; null where nothing is signed. */
export function sealedEvents(standing: Iterable<JobEvent>): JobEvent[] | null {
  const journal = inOrder(standing);
  const signature = journal.findIndex(({ type }) => type === 'job.signed');
  return signature < 0 ? null : journal.slice(0, signature + 1);
}
