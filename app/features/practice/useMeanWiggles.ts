import type { EngineSheet, Level } from '@longbar/core';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { PracticeWorker } from './practice.worker';

/**
 * What the best policy needs on average on this engine, worked out beside the screen while one
 * practises; undefined until then.
 */
export function useMeanWiggles(
  sheet: EngineSheet,
  level: Level,
): { mean?: number; failed?: string } {
  const [answer, setAnswer] = useState<{ for: string; mean?: number; failed?: string }>();
  const asked = `${level} ${sheet.name}`;
  useEffect(() => {
    let current = true;
    const worker = new Worker(new URL('./practice.worker', import.meta.url));
    const keep = (result: { mean?: number; failed?: string }) => {
      if (current) setAnswer({ for: asked, ...result });
    };
    wrap<PracticeWorker>(worker)
      .mean(sheet, level)
      .then((mean) => keep({ mean }))
      .catch((error: Error) => keep({ failed: error.message }));
    return () => {
      current = false;
      worker.terminate();
    };
  }, [sheet, level, asked]);
  return answer?.for === asked ? answer : {};
}
