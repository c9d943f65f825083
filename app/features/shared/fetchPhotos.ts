import type { EngineSheet } from '@longbar/core';
import { API } from '../../api/request';

/** Fetches the photos of a sheet once, so that the phone has them without signal later on. */
export function fetchPhotos({ photos = [] }: Pick<EngineSheet, 'photos'>): void {
  for (const { sha256 } of photos) new Image().src = `${API}/blobs/${sha256}`;
}
