import type { JobState, KnownEvent } from '@longbar/core';

const BY_ITSELF: ReadonlySet<KnownEvent['type']> = new Set([
  'plan.made',
  'rules.kept',
  'work.paused',
]);

/** The last thing that anybody did: what the phone wrote by itself is no act. */
export function lastDone({ standing }: JobState): KnownEvent | undefined {
  return standing.findLast(({ type }) => !BY_ITSELF.has(type));
}

/**
 * The last thing that this person did, unless the job is signed: what the phone wrote by itself
 * is not taken back by a tap, nor what somebody else did meanwhile.
 */
export function lastTapped({ standing, signed }: JobState, by: string): KnownEvent | undefined {
  if (signed) return undefined;
  return standing.findLast((event) => event.by === by && !BY_ITSELF.has(event.type));
}
