import type { EventOf } from './events';
import type { WorkEvent } from './heard';
import { isChange } from './heard';
import { standsNoMore } from './standsNoMore';
import type { AdjusterState, LastThere } from './state';

/**
 * What an event says of an adjuster where it was written without having heard of other phones'
 * work there: `unheard` are the last events of that. Answers whether it counts besides as any
 * other.
 *
 * Of two readings as found the earlier one is. Where both changed the setting, nobody knows how it
 * stands until somebody who heard of both locks it, or reads what the shim left. What was said
 * without knowing of a change says nothing of what that left.
 */
export function countsApart(
  adjuster: AdjusterState,
  event: WorkEvent,
  unheard: readonly LastThere[],
): boolean {
  if (unheard.length === 0) {
    if (settles(adjuster, event)) delete adjuster.apart;
    return true;
  }
  const unknown = unheard.some(({ changed }) => changed);
  if (event.type === 'reading.taken' && event.phase === 'found') {
    readApart(adjuster, event, unknown);
    return false;
  }
  if (!isChange(event)) return !unknown;
  standsNoMore(adjuster);
  delete adjuster.locked;
  if (unknown) adjuster.apart = true;
  return !unknown || event.type === 'shim.fitted';
}

/** Whether it is known how it stands again once this was done. */
function settles({ fitted }: AdjusterState, event: WorkEvent): boolean {
  if (event.type === 'reading.taken') return event.phase === 'left' && typeof fitted === 'number';
  return event.type === 'adjuster.locked' || event.type === 'shim.fitted';
}

/** Another phone read it as found: whichever did so later may have read what the other had set. */
function readApart(
  adjuster: AdjusterState,
  event: EventOf<'reading.taken'>,
  mayBeSet: boolean,
): void {
  const { reading, tried, bladeSet, by, at, id, knew } = event;
  const { found, foundAs } = adjuster;
  const taken = { ...reading, tried, bladeSet, by };
  const goesOn = foundAs !== undefined && knew?.includes(foundAs.id) === true;
  if (tried?.length === 0) {
    if (goesOn) takeBack(adjuster);
    return;
  }
  const isLater = found && foundAs ? at >= foundAs.at : mayBeSet;
  if (!goesOn && isLater) {
    adjuster.foundToo = taken;
    return;
  }
  if (found && !goesOn) adjuster.foundToo = found;
  adjuster.found = taken;
  adjuster.foundAs = { id, at: goesOn ? foundAs.at : at };
}

/** A reading as found is taken back: the other phone's stands, if there is one. */
function takeBack(adjuster: AdjusterState): void {
  const { foundToo } = adjuster;
  delete adjuster.found;
  delete adjuster.foundAs;
  delete adjuster.foundToo;
  if (foundToo) adjuster.found = foundToo;
}
