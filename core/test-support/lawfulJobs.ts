import { isRefused, simulateJob } from '../src';
import { brokenLaws } from './lawOfJobs';
import { randomJob } from './randomJobs';
import { simulatedEngine } from './simulatedEngines';

/**
 * Runs so many jobs by their seeds, those left out whose method the engine refuses, and fails on
 * the first that broke a law. Answers how many ran.
 */
export function lawfulJobs(from: number, count: number): number {
  let ran = 0;
  for (let seed = from; ran < count; seed++) {
    const sheet = simulatedEngine(seed);
    const job = randomJob(sheet, seed);
    const outcome = simulateJob(sheet, job);
    if (isRefused(outcome)) continue;
    ran++;
    const { broken } = brokenLaws(sheet, job.start, outcome);
    if (broken.length > 0) {
      throw new Error(`${JSON.stringify({ ...job, broken: broken.slice(0, 3) })}`);
    }
  }
  return ran;
}
