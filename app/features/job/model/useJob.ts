import { ignore } from '@longbar/core';
import type { JobAct } from '@longbar/core';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { TapsAtOneDrawing } from './tapsAtOneDrawing';
import { usePauses } from './usePauses';
import type { WorkingJob } from './workingJob';
import { jobAtWork } from './workingJob';
import type { KeptJob } from '../../../state/jobs';
import { useMeQuery } from '../../../state/api';
import { useAppSelector, useAppStore } from '../../../state/store';
import { useMay } from '../../people/useMay';
import { useSync } from '../../../sync/SyncProvider';
import type { Told } from '../../../ui/useAfterPaint';
import { useAfterPaint } from '../../../ui/useAfterPaint';

export type LoadedJob = {
  job?: WorkingJob;
  problem?: string;
  /** The job as it is kept, with the last tap in it. */
  journal: Told<KeptJob | undefined>;
  /** As it is drawn: the screen is about to follow. */
  drawn: KeptJob | undefined;
};

/** How often the clock that decides 'cold' is read while a job is open, ms. */
const TICK = 20_000;

/** A job from the phone's store, and from the server where the phone has not seen it. */
export function useJob(id: string): LoadedJob {
  const sync = useSync();
  const ready = useAppSelector((state) => state.jobs.ready);
  // What a tap changes is drawn first, by whoever looks at the journal itself; the job follows.
  const store = useAppStore();
  const journal = useMemo(
    () => ({ subscribe: store.subscribe, read: () => store.getState().jobs.byId[id] }),
    [store, id],
  );
  const kept = useAfterPaint(journal);
  const name = useAppSelector((state) => state.preferences.name);
  const standsAt = useAppSelector((state) => state.preferences.standsAt);
  const [problem, setProblem] = useState<string>();
  const now = useClock(TICK);
  const known = kept !== undefined;
  useEffect(() => {
    if (!ready) return;
    sync.pull(id).catch((error: Error) => {
      // A job that the phone has is worked on without the server.
      if (!known) setProblem(error.message);
    });
    // Once per opening: what others do from then on comes as they do it.
    return sync.follow(id);
    // oxlint-disable-next-line react/exhaustive-deps
  }, [id, ready, sync]);
  const [taps] = useState(() => new TapsAtOneDrawing());
  // A name that the browser has forgotten is known once the server says whose phone it is.
  const { isError: nobodyAnswers } = useMeQuery();
  const by = name || (nobodyAnswers ? 'unnamed' : undefined);
  const actAs = useCallback(
    (person: string, ...acts: JobAct[]) => {
      if (taps.isTooLate(kept, acts)) return;
      // A failure to keep is shown by the engine; the screen stays as it was.
      sync.record(id, person, ...acts).catch((error) => {
        taps.forget();
        ignore('a failure to keep is shown by the engine')(error);
      });
    },
    [sync, id, kept, taps],
  );
  const job = useMemo(
    () => (kept && by !== undefined ? jobAtWork(kept, now, by, standsAt, actAs) : undefined),
    [kept, now, actAs, by, standsAt],
  );
  // Who only reads or helps writes nothing down by the way.
  usePauses(useMay('technician') ? job : undefined, now);
  return { journal, drawn: kept, ...(job && { job }), ...(problem !== undefined && { problem }) };
}

/** The present instant, read again every so many ms, and at once when the phone wakes. */
export function useClock(every: number): string {
  const [now, setNow] = useState(() => new Date().toISOString());
  useEffect(() => {
    const read = () => setNow(new Date().toISOString());
    const timer = setInterval(read, every);
    // A phone that sleeps keeps no timers: what it missed is told when it is looked at again.
    document.addEventListener('visibilitychange', read);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', read);
    };
  }, [every]);
  return now;
}
