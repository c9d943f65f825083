import type { EngineSheet, JobOutcome } from '../src';
import { isRefused, markJob, simulateJob } from '../src';
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
    const unseen = outcome.log.some((entry) => 'placed' in entry || 'paper' in entry);
    const mistakes = job.faults.miscount || unseen ? [] : mistakesOf(sheet, outcome);
    run.broken.push(...[...law.broken, ...mistakes].map((broken) => ({ seed, ...broken })));
  }
  return run;
}

/**
 * What was told otherwise than it was, held against a witness at the engine; a full turn that is
 * miscounted unseen is a mistake that nobody is blamed for, and left out, as is what somebody sets
 * where the model does not say that it may be, and what is typed in from paper later on.
 */
function mistakesOf(sheet: EngineSheet, outcome: JobOutcome): Broken[] {
  return markJob(sheet, { ...outcome, best: outcome.turned }).mistakes.map(({ says }) => ({
    law: 'told otherwise than it was',
    what: says,
    at: 0,
  }));
}
