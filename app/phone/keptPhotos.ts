import { API } from '../api/request';
import type { KeptBlob } from './phoneDatabase';

/** Where the service worker looks for photos (`tools/serviceWorker.mjs`). */
const PHOTOS = 'photos';
const urlOf = (sha256: string) => `${API}/blobs/${sha256}`;

/**
 * Fetches a photo once, so that the phone has it without signal: on a first visit the worker is
 * not at work yet, and what the page asked for by itself would not be kept.
 */
export async function keepPhoto(sha256: string): Promise<void> {
  if (!('caches' in globalThis)) return;
  const photos = await caches.open(PHOTOS);
  if (!(await photos.match(urlOf(sha256)))) await photos.add(urlOf(sha256));
}

/** A photo that was fetched from the server once; undefined where this phone has none. */
export async function fetchedPhoto(sha256: string): Promise<KeptBlob | undefined> {
  if (!('caches' in globalThis)) return undefined;
  const answer = await (await caches.open(PHOTOS)).match(urlOf(sha256));
  const type = answer?.headers.get('content-type');
  if (!answer || !type) return undefined;
  return { sha256, type, body: await answer.arrayBuffer() };
}
