import { lawfulJobs } from '../../test-support/lawfulJobs';

describe('whole jobs on hidden engines, seeds 1360 to 2719', () => {
  it('read and set nothing off its place, bar nothing too early, forget nothing, and end', () => {
    expect(lawfulJobs(1360, 1360)).toBeGreaterThan(1000);
  }, 300_000);
});
