import type { JobState } from './state';

/**
 * Why the engine may be run after all was said before this was known: it says nothing of it. The
 * record keeps it, for it may have been run so.
 */
export function mayBeRunNoMore({ exempted }: JobState): void {
  if (exempted.run) exempted.run = { ...exempted.run, lapsed: true };
}
