import type { EngineSheet } from '@longbar/core';
import { ignore } from '@longbar/core';
import { API } from '../../api/request';

/** Fetches the photos of a sheet once, so that the phone has them without signal later on. */
export function fetchPhotos({ photos = [] }: Pick<EngineSheet, 'photos'>): void {
  for (const { sha256 } of photos) {
    keepPhoto(`${API}/blobs/${sha256}`).catch(ignore('it is fetched when it is looked at'));
  }
}

/**
 * Puts a photo where the service worker looks for it (`tools/serviceWorker.mjs`): on a first visit
 * the worker is not at work yet, and what the page asked for by itself would not be kept.
 */
async function keepPhoto(url: string): Promise<void> {
  if (!('caches' in globalThis)) return;
  const photos = await caches.open('photos');
  if (!(await photos.match(url))) await photos.add(url);
}
