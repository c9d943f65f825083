import type { DriftForecast, EnginePast, JobCheck, MachineDetail, Shop } from '@longbar/core';
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

/** How every adjuster of a machine drifts by the shop's risk, worked out by a worker of its own. */
export function useDrift(
  { document, meter }: MachineDetail,
  checks: readonly JobCheck[],
  shop: Pick<Shop, 'driftRisk'>,
): Drift {
  const past = useMemo(() => pastOf(document, checks, meter), [document, checks, meter]);
  const [state, setState] = useState<Pick<Drift, 'forecast' | 'failed'>>({});
  const [cancelled, setCancelled] = useState(false);
  const { driftRisk } = shop;
  useEffect(() => {
    if (cancelled) return;
    const worker = new Worker(new URL('./drift.worker', import.meta.url));
    wrap<DriftWorker>(worker)
      .forecast(past.histories, specsByKind(past.sheet), driftOptions(past.sheet, { driftRisk }))
      .then((forecast) => setState({ forecast }))
      .catch((error: Error) => setState({ failed: error.message }));
    return () => worker.terminate();
  }, [past, driftRisk, cancelled]);
  return { ...past, ...state, cancelled, cancel: () => setCancelled(true) };
}
