import { setImmediate } from 'node:timers/promises';

/** So long others wait for a slice, ms. */
const SLICE = 15;

/** Runs long work slice by slice: what else is asked of the server is answered between. */
export async function inSlices<Result>(work: Generator<void, Result>): Promise<Result> {
  for (;;) {
    const until = performance.now() + SLICE;
    while (performance.now() < until) {
      const { done, value } = work.next();
      if (done) return value;
    }
    await setImmediate();
  }
}
