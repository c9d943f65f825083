import type { EventOf } from './events';
import type { WorkEvent } from './heard';
import { firstChanged, isChange } from './heard';
import { standsNoMore } from './standsNoMore';
import type { AdjusterState, LastThere } from './state';

/**
 * What an event says of an adjuster where it was written without having heard of other phones'
 * work there: `unheard` are the last events of that. Answers whether it counts besides as any
 * other.
 *
 * Of two readings as found the earlier one is; one that was taken again once the other phone had
 * set it is none. Where both changed the setting, nobody knows how it stands until somebody who
 * heard of both locks it, or reads what the shim left. What was said without knowing of a change
 * says nothing of what that left.
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
  const setAt = firstChanged(unheard);
  const unknown = setAt !== undefined;
  if (event.type === 'reading.taken' && event.phase === 'found') {
    readApart(adjuster, event, setAt);
    return false;
  }
  if (!isChange(event)) return !unknown;
  readSince(adjuster, event);
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

/**
 * Another phone read it as found: whichever did so later may have read what the other had set, first
 * of all at `setAt`.
 */
function readApart(
  adjuster: AdjusterState,
  event: EventOf<'reading.taken'>,
  setAt: string | undefined,
): void {
  const { reading, tried, bladeSet, by, at, id, knew } = event;
  const { found, foundAs = [] } = adjuster;
  const taken = { ...reading, tried, bladeSet, by };
  const [first] = foundAs;
  const last = foundAs.at(-1);
  const goesOn = last !== undefined && knew?.includes(last.id) === true;
  if (tried?.length === 0) {
    if (goesOn) takeBack(adjuster);
    return;
  }
  const since = goesOn ? setAt : first?.at;
  const isLater = since === undefined ? !goesOn && setAt !== undefined : at >= since;
  if (isLater) {
    adjuster.foundToo = taken;
    return;
  }
  if (found && !goesOn) adjuster.foundToo = found;
  adjuster.found = taken;
  adjuster.foundAs = [...(goesOn ? foundAs : []), { id, at, reading: taken }];
}

/** What another phone read again as found since this changed it says what this left, if anything. */
function readSince(adjuster: AdjusterState, { at, knew }: WorkEvent): void {
  const { foundAs = [] } = adjuster;
  const known = foundAs.findLastIndex(({ id }) => knew?.includes(id));
  const stands = foundAs.filter((each, i) => i === 0 || i <= known || each.at < at);
  const [last, before] = [foundAs.at(-1), stands.at(-1)];
  if (!last || !before || last === before) return;
  adjuster.foundToo = last.reading;
  adjuster.found = before.reading;
  adjuster.foundAs = stands;
}

/** A reading as found is taken back: the other phone's stands, if there is one. */
function takeBack(adjuster: AdjusterState): void {
  const { foundToo } = adjuster;
  delete adjuster.found;
  delete adjuster.foundAs;
  delete adjuster.foundToo;
  if (foundToo) adjuster.found = foundToo;
}
