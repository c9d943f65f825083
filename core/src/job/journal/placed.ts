import type { JobState } from './state';

/**
 * Whether a person says that an adjuster may be set though the model does not say so: by the
 * manual's chart, at its stop; else where the crank stood as they said it, and only until it is
 * turned.
 */
export function isPlaced({ adjusters, crank }: JobState, id: string): boolean {
  const { placed } = adjusters[id] ?? {};
  return placed !== undefined && (placed.stop !== undefined || placed.turn === crank.turns);
}
