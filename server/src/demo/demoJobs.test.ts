import { BARRING_METHODS, isRefused, simulateJob } from '@longbar/core';
import { brokenLaws } from '../../../core/test-support/lawOfJobs';
import { randomJob } from '../../../core/test-support/randomJobs';
import { seedFrom, times } from '../../../core/test-support/times';
import { MACHINES } from './yard';

const sheets = [
  ...new Map(MACHINES.map(({ sheet }) => [sheet.document.name, sheet.document])).values(),
];

describe('whole jobs on the engines of the demo', () => {
  it.each(sheets.map((sheet) => [sheet.name, sheet] as const))(
    'are lawful by every method on the %s',
    (_, sheet) => {
      let ran = 0;
      for (const [m, method] of BARRING_METHODS.entries()) {
        for (let seed = 0; seed < times(3, 30); seed++) {
          const job = { ...randomJob(sheet, seedFrom(100 * m + seed)), method };
          const outcome = simulateJob(sheet, job);
          if (isRefused(outcome)) continue;
          ran++;
          expect({ job, broken: brokenLaws(sheet, job.start, outcome).broken }).toEqual({
            job,
            broken: [],
          });
        }
      }
      expect(ran).toBeGreaterThan(times(3, 30));
    },
  );
});
