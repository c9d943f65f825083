import { useEffect, useState } from 'react';

/** Whether something has been so for `ms` now: what is over sooner was nothing to look at. */
export function useLasts(is: boolean, ms: number): boolean {
  const [lasts, setLasts] = useState(false);
  useEffect(() => {
    if (!is) return;
    const timer = setTimeout(() => setLasts(true), ms);
    return () => {
      clearTimeout(timer);
      setLasts(false);
    };
  }, [is, ms]);
  return is && lasts;
}
