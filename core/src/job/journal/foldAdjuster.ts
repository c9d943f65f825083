import { countsApart } from './apart';
import type { EventOf, ToldBy } from './events';
import { isOneOf } from './events';
import { hear, isOfWork } from './heard';
import { mayBeRunNoMore } from './mayBeRunNoMore';
import { noteAtWork } from './people';
import { keepShims } from './shimsInHand';
import { standsNoMore } from './standsNoMore';
import type { AdjusterState, JobState } from './state';

/** The events of one adjuster. */
export const isOfAdjuster = isOneOf(
  'reading.taken',
  'adjuster.kept',
  'aim.chosen',
  'adjuster.locked',
  'adjuster.painted',
  'adjuster.unset',
  'adjuster.resumed',
  'adjuster.doubted',
  'adjuster.placed',
  'adjuster.moved',
  'shim.found',
  'shim.fitted',
);
export type AdjusterEvent = ToldBy<typeof isOfAdjuster>;

/** What an event says of one adjuster. */
export function applyAdjuster(state: JobState, event: AdjusterEvent): void {
  const adjuster: AdjusterState = { ...state.adjusters[event.adjuster] };
  state.adjusters[event.adjuster] = adjuster;
  noteAtWork(state, event.by);
  if (isOfWork(event) && !countsApart(adjuster, event, hear(state, event))) return;
  switch (event.type) {
    case 'reading.taken':
      return read(adjuster, event);
    case 'adjuster.kept':
      adjuster.kept = true;
      delete adjuster.locked;
      return isSet(state, event.adjuster);
    case 'aim.chosen':
      adjuster.aim = event.to;
      return;
    case 'adjuster.locked':
      adjuster.locked = {
        how: event.how,
        torque: event.torque,
        by: event.by,
        ...(event.aimed !== undefined && { aimed: event.aimed }),
      };
      changed(adjuster);
      delete adjuster.off;
      return isSet(state, event.adjuster);
    case 'adjuster.painted':
      if (adjuster.painted && adjuster.again) adjuster.againAccepted = true;
      adjuster.painted = true;
      // What is only checked is finished without a dab on its nut.
      adjuster.checked = state.scope?.checkOnly === true;
      adjuster.doneAtTurn = state.crank.turns;
      return;
    case 'adjuster.placed':
      adjuster.placed = {
        ...{ reason: event.reason, by: event.by, at: event.at, stop: event.stop },
        turn: state.crank.turns,
      };
      return;
    case 'adjuster.moved':
      adjuster.moved = true;
      return;
    case 'adjuster.unset':
      adjuster.unset = {
        reason: event.reason,
        note: event.note,
        attachments: event.attachments,
        mayRun: event.mayRun,
        by: event.by,
      };
      if (event.mayRun !== true) mayBeRunNoMore(state);
      return keepShims(state);
    case 'adjuster.resumed':
      if (adjuster.unset) adjuster.givenUp = [...(adjuster.givenUp ?? []), adjuster.unset];
      delete adjuster.unset;
      // What is set now is read on a round that comes after it, below covers that come off again.
      delete state.roundDone;
      return;
    case 'adjuster.doubted':
      adjuster.doubted = true;
      return;
    case 'shim.found':
      adjuster.shim = event.size;
      delete adjuster.off;
      return;
    case 'shim.fitted':
      adjuster.fitted = event.size;
      if (state.shims) {
        const put = { ...state.shims.put, [event.adjuster]: event.size };
        state.shims = { ...state.shims, put };
      }
      return changed(adjuster);
  }
}

function read(adjuster: AdjusterState, event: EventOf<'reading.taken'>): void {
  const { phase, reading, tried, bladeSet, by, id, at } = event;
  if (phase === 'again') delete adjuster.againAccepted;
  // Its nut is loose once more: the lock before says nothing any more.
  if (phase === 'set') {
    changed(adjuster);
    delete adjuster.locked;
  }
  // All blades taken back: there is no reading any more.
  if (tried?.length === 0) {
    delete adjuster[phase];
    if (phase === 'found') delete adjuster.foundAs;
  } else {
    const taken = { ...reading, tried, bladeSet, by };
    adjuster[phase] = taken;
    if (phase === 'found')
      adjuster.foundAs = [...(adjuster.foundAs ?? []), { id, at, reading: taken }];
  }
  if (phase === 'again') delete adjuster.doubted;
}

/** A rocker that was off or backed off is set: what it does says something again. */
function isSet(state: JobState, id: string): void {
  const { loosened } = state.crank;
  if (!loosened.includes(id)) return;
  state.crank = { ...state.crank, loosened: loosened.filter((each) => each !== id) };
}

/** It was changed: what was read before says nothing any more, and it can be set after all. */
function changed(adjuster: AdjusterState): void {
  standsNoMore(adjuster);
  delete adjuster.unset;
}
