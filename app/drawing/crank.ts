import { useEffect, useState } from 'react';

/**
 * A crank that is turned on the screen. Its angle is kept beside React's state: each drawing
 * follows it by itself, so that a move of the finger draws what moved and nothing else.
 */
export type Crank = {
  /** Crank degrees. */
  at: () => number;
  turn: (at: number) => void;
  subscribe: (heard: () => void) => () => void;
};

function makeCrank(start: number): Crank {
  let at = start;
  const listeners = new Set<() => void>();
  return {
    at: () => at,
    turn: (next) => {
      if (next === at) return;
      at = next;
      listeners.forEach((heard) => heard());
    },
    subscribe: (heard) => {
      listeners.add(heard);
      return () => listeners.delete(heard);
    },
  };
}

/** A crank of this screen's own. */
export function useCrank(start = 0): Crank {
  return useState(() => makeCrank(start))[0];
}

/** How long it must stand still for what is read rather than seen, ms. */
const AT_REST = 400;

/** The angle once the crank has come to rest: for words and figures that nobody reads in passing. */
export function useRestingAt(crank: Crank): number {
  const [at, setAt] = useState(crank.at());
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = crank.subscribe(() => {
      clearTimeout(timer);
      timer = setTimeout(() => setAt(crank.at()), AT_REST);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [crank]);
  return at;
}
