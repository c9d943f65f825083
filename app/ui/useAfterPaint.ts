import { startTransition, useEffect, useState } from 'react';

/** A page that is not seen is not painted: what waits for that goes on after so long, ms. */
const AT_LATEST = 150;

/** Something that changes and tells of it. */
export type Told<T> = {
  subscribe: (listener: () => void) => () => void;
  read: () => T;
};

/**
 * What is told, as it was until what else it changed is painted: the answer to a tap is on the
 * screen before the rest of the page is worked out, and whoever asks is not even drawn before.
 */
export function useAfterPaint<T>({ subscribe, read }: Told<T>): T {
  const [shown, setShown] = useState(read);
  useEffect(() => {
    let seen = shown;
    let stopWaiting = () => {};
    const look = () => {
      const value = read();
      if (value === seen) return;
      seen = value;
      stopWaiting();
      stopWaiting = afterPaint(() => startTransition(() => setShown(() => value)));
    };
    look();
    const stop = subscribe(look);
    return () => {
      stop();
      stopWaiting();
    };
    // What is shown is compared once, as the asking begins.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [subscribe, read]);
  return shown;
}

/** Does something once the next frame is painted; the answer calls it off. */
function afterPaint(work: () => void): () => void {
  let soon: ReturnType<typeof setTimeout> | undefined;
  const frame = requestAnimationFrame(() => {
    soon = setTimeout(once);
  });
  const late = setTimeout(once, AT_LATEST);
  return callOff;

  function once() {
    callOff();
    work();
  }
  function callOff() {
    cancelAnimationFrame(frame);
    clearTimeout(soon);
    clearTimeout(late);
  }
}
