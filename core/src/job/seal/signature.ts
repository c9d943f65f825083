import * as v from 'valibot';
import { Sha256Schema } from '../../attachment';
import { wordsUpTo } from '../../bounds';
import { canonical } from '../../canonical';
import { formatInstant } from '../../units';
import { instant, person } from '../journal/fields';
import type { JobHead } from '../journal/jobHead';
import { JobHeadSchema } from '../journal/jobHead';

/** What a phone signs is named by this, so that no other text is taken for it. */
export const SIGNATURE_FORMAT = 'longbar.signature/1';

const hex = (bytes: number, message: string) =>
  v.pipe(v.string(message), v.regex(new RegExp(`^[0-9a-f]{${bytes * 2}}$`), message));

/** The public half of a phone's Ed25519 key pair, 32 bytes in lower-case hex. */
export const PublicKeySchema = hex(32, 'A public key is 64 hexadecimal digits.');
/** A phone's public key, as it is registered. */
export const KeyPutSchema = v.object({ key: PublicKeySchema });

/** Whose phone a key is registered for. */
export const KeyRegisteredSchema = v.object({ name: v.string() });

/** What a signature says: this person vouches, at this instant, for the events of this seal. */
export const SignedWordsSchema = v.strictObject({
  format: v.literal(SIGNATURE_FORMAT, `The format is ${SIGNATURE_FORMAT}.`),
  job: v.strictObject(v.omit(JobHeadSchema, ['sheet']).entries),
  /** What the machine was called. */
  machine: wordsUpTo(200, 'A machine has a name.'),
  seal: Sha256Schema,
  name: person,
  at: instant,
});
export type SignedWords = v.InferOutput<typeof SignedWordsSchema>;

/** A signature with the key that made it: Ed25519 over the canonical text of the words. */
export const SignatureSchema = v.strictObject({
  words: SignedWordsSchema,
  key: PublicKeySchema,
  signature: hex(64, 'A signature is 128 hexadecimal digits.'),
});
export type Signature = v.InferOutput<typeof SignatureSchema>;

/** What a phone signs of a job: its head without what the machine says already, and its seal. */
export function signedWords(
  { id, machine, method, sheetRevision, at, by }: JobHead,
  said: Pick<SignedWords, 'machine' | 'seal' | 'name' | 'at'>,
): SignedWords {
  return {
    format: SIGNATURE_FORMAT,
    job: { id, machine, method, sheetRevision, at, by },
    ...said,
  };
}

/** The text that a signature is made over. */
export const signedText = (words: SignedWords): string => canonical(words);

/**
 * The first sixteen digits of a key, which people compare; they never part at the end of a line.
 *
 * @example fingerprintOf('3f2a91c077aa0b12d4e5').replaceAll('\u00a0', ' ') // '3f2a 91c0 77aa 0b12'
 */
export function fingerprintOf(key: string): string {
  return (key.slice(0, 16).match(/.{4}/g) ?? []).join('\u00a0');
}

/**
 * What the code on a record holds: enough to hold the paper against the file. In capitals, of which
 * a pattern holds more.
 */
export function signatureCode({ words, key, signature }: Signature): string {
  return ['LONGBAR', words.job.id, words.seal, key, signature].join(' ').toUpperCase();
}

/** Who vouches for a record, and by which key. */
export function signatureWords({ words: { name, at }, key }: Signature): string {
  return `Signed by the key of ${name}’s phone, ${formatInstant(at)}: ${fingerprintOf(key)}.`;
}
