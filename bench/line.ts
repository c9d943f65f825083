/** One line of the table: what was measured, how it came out, what is wanted of it. */
export type Line = { what: string; figure: string; wanted: string; held: boolean };

/** The q-quantile of figures, the nearest one above. */
export function quantile(figures: readonly number[], q: number): number {
  const sorted = [...figures].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * q))] ?? NaN;
}

/** What the work answers, and how long it took, ms. */
export function timed<T>(work: () => T): { answer: T; took: number } {
  const begun = performance.now();
  const answer = work();
  return { answer, took: performance.now() - begun };
}

/** Runs `work` for at least `ms` and answers how often a second. */
export function perSecond(work: () => unknown, ms = 1500): number {
  for (let i = 0; i < 20; i++) work();
  const begun = performance.now();
  let runs = 0;
  while (performance.now() - begun < ms) {
    work();
    runs++;
  }
  return (runs * 1000) / (performance.now() - begun);
}
