import type { ShimPlan, ShimRow, ShimSupply } from '@longbar/core';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { ShimWorker } from './shims.worker';

let worker: Remote<ShimWorker> | undefined;

function shimWorker(): Remote<ShimWorker> {
  worker ??= wrap<ShimWorker>(new Worker(new URL('./shims.worker', import.meta.url)));
  return worker;
}

/** The shim plan for these buckets, from the worker; undefined while it is being worked out. */
export function useShimPlan(
  rows: readonly ShimRow[],
  supply: ShimSupply | undefined,
): { plan?: ShimPlan; failed?: string } {
  const [answer, setAnswer] = useState<{ for: string; plan?: ShimPlan; failed?: string }>();
  const asked = JSON.stringify([rows, supply]);
  useEffect(() => {
    if (!supply || rows.length === 0) return;
    let current = true;
    const keep = (result: { plan?: ShimPlan; failed?: string }) => {
      if (current) setAnswer({ for: asked, ...result });
    };
    shimWorker()
      .plan([...rows], supply)
      .then((plan) => keep({ plan }))
      .catch((error: Error) => keep({ failed: error.message }));
    return () => {
      current = false;
    };
    // `asked` stands for rows and supply, which are new objects at every drawing.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [asked]);
  return answer?.for === asked ? answer : {};
}
