import { ignore } from '@longbar/core';
import { useEffect } from 'react';

/**
 * Keeps the screen on while a job is open, where the browser can: oily hands unlock no phone. The
 * lock is lost whenever the page is out of sight, so it is asked for again when it comes back.
 */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then((given) => {
        if (over) void given.release();
        else lock = given;
      }, ignore('with a low battery the work goes on with a screen that darkens'));
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [on]);
}
