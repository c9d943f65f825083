import type { JobState, KnownEvent } from '@longbar/core';

const BY_ITSELF: ReadonlySet<KnownEvent['type']> = new Set([
  'plan.made',
  'rules.kept',
  'work.paused',
]);

/** The last thing a person did: what the phone wrote by itself is not taken back by a tap. */
export function lastTapped({ standing }: JobState): KnownEvent | undefined {
  return standing.findLast(({ type }) => !BY_ITSELF.has(type));
}
