import { observe } from '../../barring/observation';
import type { ToldBy } from './events';
import { isOneOf } from './events';
import type { JobState } from './state';

/** The events of where the crank stands. */
export const isOfPosition = isOneOf(
  'rocker.felt',
  'crank.observed',
  'position.found',
  'position.lost',
  'stop.reached',
);
export type PositionEvent = ToldBy<typeof isOfPosition>;

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
      barredAgain(state);
      forgetStops(state);
      return;
    case 'position.lost':
      delete state.foundAt;
      state.felt = {};
      state.observations = [];
      forgetStops(state);
      return;
    case 'stop.reached': {
      barredAgain(state);
      const list = event.round ? state.reachedAgain : state.reached;
      if (!list.includes(event.stop)) list.push(event.stop);
      state.lastStop = { stop: event.stop, round: event.round, at: event.at };
      return;
    }
  }
}

/** The crank was turned: the bar is on it again, and nobody is clear of it any more. */
function barredAgain(state: JobState): void {
  delete state.barOut;
  state.clear = {};
}

function forgetStops(state: JobState): void {
  state.reached = [];
  state.reachedAgain = [];
  delete state.lastStop;
}
