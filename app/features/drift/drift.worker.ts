import type { DriftForecast, DriftHistory, DriftOptions } from '@longbar/core';
import { forecastDrift } from '@longbar/core';
import { expose } from 'comlink';

type Specs = Parameters<typeof forecastDrift>[1];

/** The forecast of a whole engine, off the thread that handles taps. */
const drift = {
  forecast: (histories: DriftHistory[], specs: Specs, options: DriftOptions): DriftForecast =>
    forecastDrift(histories, specs, options),
};
export type DriftWorker = typeof drift;

expose(drift);
