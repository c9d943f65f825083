import { isRefused, simulateJob } from '../src';
import type { Broken } from './lawOfJobs';
import { brokenLaws } from './lawOfJobs';
import { randomJob } from './randomJobs';
import { simulatedEngine } from './simulatedEngines';

/** What so many whole jobs came to. */
export type JobsRun = {
  ran: number;
  /** Acts of all of them together. */
  acts: number;
  /** The smallest margin at which anything was read or set, over what its condition needs. */
  worst: number;
  broken: (Broken & { seed: number })[];
};

/** Runs so many jobs, from a seed on; those whose method the engine refuses are left out. */
export function wholeJobs(from: number, count: number): JobsRun {
  const run: JobsRun = { ran: 0, acts: 0, worst: Infinity, broken: [] };
  for (let seed = from; run.ran < count; seed++) {
    const sheet = simulatedEngine(seed);
    const job = randomJob(sheet, seed);
    const outcome = simulateJob(sheet, job);
    if (isRefused(outcome)) continue;
    run.ran++;
    const law = brokenLaws(sheet, job.start, outcome);
    run.acts += law.acts;
    run.worst = Math.min(run.worst, law.worst);
    run.broken.push(...law.broken.map((broken) => ({ seed, ...broken })));
  }
  return run;
}
