import type { JobState, KnownEvent } from '@longbar/core';

/** The last thing a person did: what the phone wrote by itself is not taken back by a tap. */
export function lastTapped({ standing }: JobState): KnownEvent | undefined {
  return standing.findLast(({ type }) => type !== 'plan.made' && type !== 'work.paused');
}
