import type { JobEvent, Signature } from '@longbar/core';
import {
  canonical,
  formatInstant,
  issuesOf,
  RecordFileSchema,
  sealedEvents,
  sealedText,
  signatureWords,
} from '@longbar/core';
import * as v from 'valibot';
import { isByItsKey } from '../ed25519';
import { sha256 } from '../store/journal/blobs';

/** What was found of a file: whether all of it holds, and what is said of it. */
export type Found = { holds: boolean; said: string[] };

const broken = (said: string): Found => ({ holds: false, said: [said] });
const hashOf = (text: string) => sha256(Buffer.from(text));

/** Looks through one record as a file, every byte of it. */
export function verifyRecord(text: string): Found {
  const end = text.indexOf('\n') + 1;
  const [line, hash] = [text.slice(0, end), text.slice(end)];
  if (hash !== `${hashOf(line)}\n`) {
    return broken(
      'It was changed, or is cut off: its content has another hash than its last line.',
    );
  }
  const content = contentOf(line);
  const read = v.safeParse(RecordFileSchema, content);
  if (!read.success) {
    const [first] = issuesOf(read.issues);
    return broken(`It is no record of Long Bar. ${first?.path}: ${first?.message}`);
  }
  if (`${canonical(content)}\n` !== line) {
    return broken('It is not written as a record is: somebody else than Long Bar wrote it.');
  }
  const { job, events, additions, signature } = read.output;
  if (!isOneSignedJob(job.id, events)) {
    return broken('Its entries are not those of one signed job, in their order.');
  }
  const about = `A job begun ${formatInstant(job.at)} by ${job.by}, ${events.length} entries, sheet revision ${job.sheetRevision}.`;
  const after = additions.length === 0 ? [] : [additionsWords(additions)];
  const by = proven(signature, job, sealedText(events) ?? '');
  return { holds: by.holds, said: [about, ...by.said, ...after] };
}

/** What a line holds; null where it is no JSON. */
function contentOf(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return null;
  }
}

/** Whether these are the entries of this job up to its signature, in the order that counts. */
function isOneSignedJob(job: string, events: readonly JobEvent[]): boolean {
  const sealed = sealedEvents(events);
  return (
    sealed?.length === events.length &&
    events.every((event, i) => event.job === job && event === sealed[i])
  );
}

function additionsWords({ length }: readonly JobEvent[]): string {
  return `${length === 1 ? 'One entry was' : `${length} entries were`} added afterwards: nobody signed that.`;
}

/** Whether a signature vouches for this job and this sealed text. */
export function proven(signature: Signature | null, job: { id: string }, sealed: string): Found {
  if (!signature) {
    const said = 'It is whole. No phone’s key has signed it: who wrote it cannot be proven.';
    return { holds: true, said: [said] };
  }
  const { sheet: _, ...head }: { id: string; sheet?: unknown } = job;
  if (canonical(signature.words.job) !== canonical(head)) {
    return broken('The signature is of another job.');
  }
  if (signature.words.seal !== hashOf(sealed)) {
    return broken('The signature is of other entries than these: something was changed.');
  }
  if (!isByItsKey(signature)) {
    return broken('The signature was not made by the key that stands with it.');
  }
  return { holds: true, said: [`${signatureWords(signature)} It holds.`] };
}
