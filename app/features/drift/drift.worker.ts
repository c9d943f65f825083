import type { DriftForecast, DriftHistory, DriftOptions } from '@longbar/core';
import { forecastDrift, readId } from '@longbar/core';
import { expose } from 'comlink';

type Specs = Parameters<typeof forecastDrift>[1];

/**
 * The forecast of a whole engine off the thread that handles taps, kind by kind: nothing is
 * pooled over kinds. Says how far it has come after each.
 */
async function forecast(
  histories: DriftHistory[],
  specs: Specs,
  options: DriftOptions,
  progress: (share: number) => void,
): Promise<DriftForecast> {
  const kindOf = ({ id }: DriftHistory) => readId(id).kind;
  const kinds = [...new Set(histories.map(kindOf))];
  let whole: DriftForecast = {
    adjusters: [],
    recheckAt: { hours: options.everyHours, id: null },
  };
  for (const [i, kind] of kinds.entries()) {
    const own = histories.filter((history) => kindOf(history) === kind);
    const { adjusters, recheckAt } = forecastDrift(own, specs, options);
    const first = recheckAt.hours < whole.recheckAt.hours ? recheckAt : whole.recheckAt;
    whole = { adjusters: [...whole.adjusters, ...adjusters], recheckAt: first };
    progress((i + 1) / kinds.length);
    // Between two kinds the word goes out.
    await new Promise((resolve) => setTimeout(resolve));
  }
  return whole;
}

const drift = { forecast };
export type DriftWorker = typeof drift;

expose(drift);
