import { useEffect, useRef } from 'react';
import type { WorkingJob } from './workingJob';

/** A pause longer than this may have let somebody turn the crank, ms. */
const LONG_AWAY = 10 * 60_000;
const MINUTE = 60_000;

/**
 * Writes a long pause down, once, by this phone's own clock: from then on what was known of the
 * crank counts only when somebody says that nobody turned it.
 */
export function usePauses(job: WorkingJob | undefined, now: string): void {
  const noted = useRef<string>(undefined);
  useEffect(() => {
    if (!job || job.state.signed || job.state.abandoned) return;
    const { crank, standing } = job.state;
    const { last } = standing;
    if (!last || crank.history.length === 0 || crank.doubted || noted.current === last.id) return;
    const away = Date.now() - Date.parse(last.at);
    if (away <= LONG_AWAY) return;
    noted.current = last.id;
    job.act({ type: 'work.paused', minutes: Math.round(away / MINUTE) });
  }, [job, now]);
}
