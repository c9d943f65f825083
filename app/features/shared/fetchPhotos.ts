import type { EngineSheet } from '@longbar/core';
import { ignore } from '@longbar/core';
import { keepPhoto } from '../../phone/keptPhotos';

/** Fetches the photos of a sheet once, so that the phone has them without signal later on. */
export function fetchPhotos({ photos = [] }: Pick<EngineSheet, 'photos'>): void {
  for (const { sha256 } of photos) {
    keepPhoto(sha256).catch(ignore('it is fetched when it is looked at'));
  }
}
