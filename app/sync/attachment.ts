import { BlobTypeSchema, ignore, LARGEST_BLOB } from '@longbar/core';
import * as v from 'valibot';
import { hex } from '../phone/hex';
import type { KeptBlob } from '../phone/phoneDatabase';

/** The longer side a photo is kept at: enough to read a data tag, small enough to send. */
const LONGEST = 1600;
const QUALITY = 0.82;

/**
 * A picked file as the phone keeps it: photos made smaller, under the hash of their bytes.
 * Throws with words for a person where it is neither photo nor clip, or too large.
 */
export async function attachmentFrom(file: File): Promise<KeptBlob> {
  const type = v.safeParse(BlobTypeSchema, file.type);
  if (!type.success) throw new Error(`${file.name} is neither a photo nor a sound clip.`);
  const smaller = file.type.startsWith('image/') ? await shrunk(file) : file;
  if (smaller.size > LARGEST_BLOB) {
    throw new Error(`${file.name} is too large: ${LARGEST_BLOB / 1_000_000} MB at most.`);
  }
  const body = await smaller.arrayBuffer();
  const { sha256 } = await import('../phone/noble');
  // The browser's own hashing is there over HTTPS only.
  return { sha256: hex(sha256(new Uint8Array(body))), type: smaller.type, body };
}

/** The photo at no more than LONGEST; as it is where the browser cannot read it. */
async function shrunk(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file).catch(
    ignore('what cannot be made smaller is kept as it is'),
  );
  if (!picture) return file;
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const small = await new Promise<Blob | null>((done) =>
    canvas.toBlob(done, 'image/jpeg', QUALITY),
  );
  return small && small.size < file.size ? small : file;
}
