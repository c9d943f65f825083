import type { EventOf, ToldBy } from './events';
import { isOneOf } from './events';
import type { AdjusterState, JobState } from './state';

/** The events of one adjuster. */
export const isOfAdjuster = isOneOf(
  'reading.taken',
  'adjuster.kept',
  'adjuster.locked',
  'adjuster.painted',
  'adjuster.unset',
  'adjuster.doubted',
  'shim.found',
  'shim.fitted',
);
export type AdjusterEvent = ToldBy<typeof isOfAdjuster>;

/** What an event says of one adjuster. */
export function applyAdjuster(state: JobState, event: AdjusterEvent): void {
  const adjuster = (state.adjusters[event.adjuster] ??= {});
  switch (event.type) {
    case 'reading.taken':
      return read(adjuster, event);
    case 'adjuster.kept':
      adjuster.kept = true;
      delete adjuster.locked;
      return;
    case 'adjuster.locked':
      adjuster.locked = { how: event.how, torque: event.torque, by: event.by };
      return changed(adjuster);
    case 'adjuster.painted':
      adjuster.painted = true;
      return;
    case 'adjuster.unset':
      adjuster.unset = { reason: event.reason, note: event.note, by: event.by };
      return;
    case 'adjuster.doubted':
      adjuster.doubted = true;
      return;
    case 'shim.found':
      adjuster.shim = event.size;
      return;
    case 'shim.fitted':
      adjuster.fitted = event.size;
      return changed(adjuster);
  }
}

function read(adjuster: AdjusterState, event: EventOf<'reading.taken'>): void {
  const { phase, reading, tried, bladeSet, by } = event;
  // All blades taken back: there is no reading any more.
  if (tried?.length === 0) delete adjuster[phase];
  else adjuster[phase] = { ...reading, tried, bladeSet, by };
  if (phase === 'again') delete adjuster.doubted;
}

/** It was changed: whatever was read before says nothing any more, and it can be set after all. */
function changed(adjuster: AdjusterState): void {
  delete adjuster.kept;
  delete adjuster.left;
  delete adjuster.again;
  delete adjuster.painted;
  delete adjuster.unset;
}
