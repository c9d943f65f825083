import type { BarringPlan } from '../../barring/barringPlan';
import { readId } from '../../engine/kinds';
import type { EventOf } from '../journal/events';
import type { AdjusterState, JobState } from '../journal/state';

/** A reading as found, as set before locking, as left after it, or on the round again. */
export type ReadingPhase = EventOf<'reading.taken'>['phase'];

/**
 * The last reading of another adjuster of the same kind in the same phase, to be taken over in
 * one tap: what was found says nothing of what is left. Undefined where there is none.
 */
export function lastAlike(
  { standing }: JobState,
  id: string,
  phase: ReadingPhase,
): EventOf<'reading.taken'> | undefined {
  const { kind } = readId(id);
  const last = standing.findLast(
    (event) =>
      event.type === 'reading.taken' &&
      event.phase === phase &&
      event.adjuster !== id &&
      readId(event.adjuster).kind === kind,
  );
  // All blades taken back: there is nothing to take over.
  return last?.type === 'reading.taken' && last.tried?.length !== 0 ? last : undefined;
}

/**
 * Which adjusters a forked blade reads at once: the pair of one kind on one cylinder that is set
 * at one stop. The other one only while the same reading is due there too: a valve that is left
 * as found or locked is not read as found once more along with its neighbour.
 */
export function readByFork(
  state: JobState,
  { stops }: Pick<BarringPlan, 'stops'>,
  id: string,
  phase: ReadingPhase,
): string[] {
  const { kind, cylinder } = readId(id);
  const stop = stops.find(({ set }) => set.some((each) => each.id === id));
  const pair = (stop?.set ?? [])
    .map((each) => each.id)
    .filter((each) => {
      const own = readId(each);
      return own.kind === kind && own.cylinder === cylinder && own.n !== undefined;
    });
  if (pair.length !== 2) return [id];
  return pair.filter((each) => each === id || isDue(state.adjusters[each] ?? {}, phase));
}

/** Whether a reading in this phase is due at an adjuster. */
function isDue(adjuster: AdjusterState, phase: ReadingPhase): boolean {
  const { found, kept, locked, fitted, painted, unset } = adjuster;
  if (unset) return false;
  if (painted) return phase === 'again';
  if (locked || typeof fitted === 'number') return phase === 'left';
  if (kept) return false;
  return phase === 'found' || (phase === 'set' && found !== undefined);
}
