import type { DriftForecast, EnginePast, JobCheck, MachineDetail } from '@longbar/core';
import { driftOptions, pastOf, specsByKind } from '@longbar/core';
import { proxy, wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import type { DriftWorker } from './drift.worker';

export type Drift = EnginePast & {
  forecast?: DriftForecast | undefined;
  /** How much of it is worked out, 0 to 1. */
  share: number;
  failed?: string | undefined;
  cancelled: boolean;
  cancel: () => void;
};

/** How every adjuster of a machine drifts, worked out by a worker of its own. */
export function useDrift({ document, meter }: MachineDetail, checks: readonly JobCheck[]): Drift {
  const past = useMemo(() => pastOf(document, checks, meter), [document, checks, meter]);
  const [state, setState] = useState<Pick<Drift, 'forecast' | 'share' | 'failed'>>({ share: 0 });
  const [cancelled, setCancelled] = useState(false);
  useEffect(() => {
    if (cancelled) return;
    const worker = new Worker(new URL('./drift.worker', import.meta.url));
    const progress = proxy((share: number) => setState((now) => ({ ...now, share })));
    wrap<DriftWorker>(worker)
      .forecast(past.histories, specsByKind(past.sheet), driftOptions(past.sheet), progress)
      .then((forecast) => setState({ forecast, share: 1 }))
      .catch((error: Error) => setState({ share: 0, failed: error.message }));
    return () => worker.terminate();
  }, [past, cancelled]);
  return { ...past, ...state, cancelled, cancel: () => setCancelled(true) };
}
