import type { ListenerMiddlewareInstance } from '@reduxjs/toolkit';
import { isFulfilled, isRejectedWithValue } from '@reduxjs/toolkit';
import { api } from './api';
import { isNoAnswer, UNANSWERED } from './unanswered';

/** The server was reached: what may have changed there meanwhile is asked for, and what it did not answer. */
export const serverReached = api.util.invalidateTags([
  ...(['machines', 'practice', 'records'] as const),
  UNANSWERED,
]);

/** A server that answered something in this time is there, and only slow, ms. */
const IS_THERE = 15_000;
/** It is given so long before it is asked again, ms. */
const SOON = 3000;

/**
 * What the server did not answer is asked again while it answers anything else: it was slow, or is
 * back. Nobody is left before an empty screen; and while nothing is answered nothing flickers.
 */
export function askAgain({ startListening }: Pick<ListenerMiddlewareInstance, 'startListening'>) {
  let unanswered = false;
  let answeredAt = 0;
  const again = api.util.invalidateTags([UNANSWERED]);
  startListening({
    predicate: (action) => isRejectedWithValue(action) && isNoAnswer(action.payload),
    effect: async (_failed, { cancelActiveListeners, delay, dispatch }) => {
      unanswered = true;
      if (Date.now() - answeredAt > IS_THERE) return;
      cancelActiveListeners();
      await delay(SOON);
      dispatch(again);
    },
  });
  startListening({
    predicate: isFulfilled,
    effect: (_answered, { dispatch }) => {
      answeredAt = Date.now();
      if (!unanswered) return;
      unanswered = false;
      dispatch(again);
    },
  });
}
