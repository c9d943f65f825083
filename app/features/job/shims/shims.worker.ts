import { planShims } from '@longbar/core';
import { expose } from 'comlink';

/** Which shim goes where, worked out off the thread that handles taps. */
const shims = { plan: planShims };
export type ShimWorker = typeof shims;

expose(shims);
