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

/** One photo or clip, as an event names it. */
export type Attachment = { sha256: string; type: string };
