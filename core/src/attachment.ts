import * as v from 'valibot';

/** The hash that a photo or a sound clip is kept under: SHA-256 in lower-case hex. */
export const Sha256Schema = v.pipe(
  v.string('A hash is 64 hexadecimal digits.'),
  v.regex(/^[0-9a-f]{64}$/, 'A hash is 64 hexadecimal digits.'),
);

const IMAGES = ['image/jpeg', 'image/png', 'image/webp', 'image/gif', 'image/heic', 'image/avif'];

/** What may be attached: pictures that hold no script, and sound. */
export const BlobTypeSchema = v.pipe(
  v.string('Attach a photo or a sound clip.'),
  v.maxLength(100, 'Attach a photo or a sound clip.'),
  v.check(
    (type) => IMAGES.includes(type) || /^(audio|video)\/[\w.+-]+$/.test(type),
    'Attach a photo or a sound clip.',
  ),
);

/** The largest photo or clip taken, bytes. */
export const LARGEST_BLOB = 25_000_000;

/** The bytes of a photo or clip as base64; a pattern that repeats groups breaks on large ones. */
export const Base64Schema = v.pipe(
  v.string('The bytes are in base64.'),
  v.maxLength(Math.ceil((LARGEST_BLOB * 4) / 3) + 4, 'A photo or clip has at most 25 MB.'),
  v.check(isBase64, 'The bytes are in base64.'),
);

function isBase64(text: string): boolean {
  return text.length % 4 === 0 && /^[A-Za-z0-9+/]*={0,2}$/.test(text);
}

/** One photo or clip, as an event names it. */
export type Attachment = { sha256: string; type: string };
