import type { DriftForecast, EnginePast, JobCheck, MachineDetail } from '@longbar/core';
import { driftOptions, pastOf, specsByKind } from '@longbar/core';
import { wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import type { DriftWorker } from './drift.worker';

export type Drift = EnginePast & {
  forecast?: DriftForecast | undefined;
  failed?: string | undefined;
  cancelled: boolean;
  cancel: () => void;
};

/** How every adjuster of a machine drifts, worked out by a worker of its own. */
export function useDrift({ document, meter }: MachineDetail, checks: readonly JobCheck[]): Drift {
  const past = useMemo(() => pastOf(document, checks, meter), [document, checks, meter]);
  const [state, setState] = useState<Pick<Drift, 'forecast' | 'failed'>>({});
  const [cancelled, setCancelled] = useState(false);
  useEffect(() => {
    if (cancelled) return;
    const worker = new Worker(new URL('./drift.worker', import.meta.url));
    wrap<DriftWorker>(worker)
      .forecast(past.histories, specsByKind(past.sheet), driftOptions(past.sheet))
      .then((forecast) => setState({ forecast }))
      .catch((error: Error) => setState({ failed: error.message }));
    return () => worker.terminate();
  }, [past, cancelled]);
  return { ...past, ...state, cancelled, cancel: () => setCancelled(true) };
}
