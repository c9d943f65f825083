import type { DriftForecast, DriftHistory, EngineSheet, MachineDetail } from '@longbar/core';
import { historiesOf, sheetOfChecks } from '@longbar/core';
import { proxy, wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import type { DriftWorker } from './drift.worker';

/** So many drawn lines: the band no longer moves by more than a few hours. */
const DRAWS = 2000;
/** The same past gives the same band. */
const SEED = 1;

export type Drift = {
  /** The sheet by the engine's own data tag. */
  sheet: EngineSheet;
  histories: DriftHistory[];
  forecast?: DriftForecast | undefined;
  /** How much of it is worked out, 0 to 1. */
  share: number;
  failed?: string | undefined;
  cancelled: boolean;
  cancel: () => void;
};

/** How every adjuster of a machine drifts, worked out by a worker of its own. */
export function useDrift(machine: MachineDetail): Drift {
  const { history, meter } = machine;
  const { sheet, histories } = useMemo(() => {
    const checks = history.map(({ summary }) => summary);
    const own = sheetOfChecks(machine.document, checks);
    return { sheet: own, histories: historiesOf(own, checks, meter) };
  }, [machine.document, history, meter]);
  const [state, setState] = useState<Pick<Drift, 'forecast' | 'share' | 'failed'>>({ share: 0 });
  const [cancelled, setCancelled] = useState(false);
  const everyHours = sheet.service?.everyHours ?? Infinity;
  useEffect(() => {
    if (cancelled) return;
    const worker = new Worker(new URL('./drift.worker', import.meta.url));
    const progress = proxy((share: number) => setState((now) => ({ ...now, share })));
    wrap<DriftWorker>(worker)
      .forecast(histories, specsOf(sheet), { everyHours, seed: SEED, draws: DRAWS }, progress)
      .then((forecast) => setState({ forecast, share: 1 }))
      .catch((error: Error) => setState({ share: 0, failed: error.message }));
    return () => worker.terminate();
  }, [histories, sheet, everyHours, cancelled]);
  return { sheet, histories, ...state, cancelled, cancel: () => setCancelled(true) };
}

function specsOf({ adjusters }: EngineSheet) {
  return Object.fromEntries(adjusters.flatMap(({ kind, spec }) => (spec ? [[kind, spec]] : [])));
}
