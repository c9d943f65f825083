import { startTransition, useEffect, useState } from 'react';

/** A page that is not seen is not painted: what waits for that goes on after so long, ms. */
const AT_LATEST = 150;

/**
 * The value as it was until what else it changed is painted: the answer to a tap is on the
 * screen before the rest of the page is worked out.
 */
export function useAfterPaint<T>(value: T): T {
  const [shown, setShown] = useState(value);
  useEffect(() => {
    const follow = () => startTransition(() => setShown(() => value));
    let soon: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      soon = setTimeout(follow);
    });
    const late = setTimeout(follow, AT_LATEST);
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(soon);
      clearTimeout(late);
    };
  }, [value]);
  return shown;
}
