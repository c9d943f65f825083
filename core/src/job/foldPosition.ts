import { observe } from '../barring/observation';
import type { EventOf, KnownEvent } from './events';
import type { JobState } from './state';

const TYPES = [
  'rocker.felt',
  'crank.observed',
  'position.found',
  'position.lost',
  'stop.reached',
] as const;
type PositionEvent = EventOf<(typeof TYPES)[number]>;

export function isOfPosition(event: KnownEvent): event is PositionEvent {
  return (TYPES as readonly string[]).includes(event.type);
}

/** What an event says of where the crank stands. */
export function applyPosition(state: JobState, event: PositionEvent): void {
  switch (event.type) {
    case 'rocker.felt':
      state.felt[event.adjuster] = event.state;
      return;
    case 'crank.observed':
      state.observations = observe(state.observations, event.observation, event.back);
      return;
    case 'position.found':
      // A plan begins anew from where the crank is found; work already done stands.
      state.foundAt = event.angle;
      forgetStops(state);
      return;
    case 'position.lost':
      delete state.foundAt;
      state.felt = {};
      state.observations = [];
      forgetStops(state);
      return;
    case 'stop.reached': {
      const list = event.round ? state.reachedAgain : state.reached;
      if (!list.includes(event.stop)) list.push(event.stop);
      state.lastStop = { stop: event.stop, round: event.round, at: event.at };
      return;
    }
  }
}

function forgetStops(state: JobState): void {
  state.reached = [];
  state.reachedAgain = [];
  delete state.lastStop;
}
