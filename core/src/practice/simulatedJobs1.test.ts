import { lawfulJobs } from '../../test-support/lawfulJobs';

describe('whole jobs on hidden engines, seeds 0 to 1359', () => {
  it('read and set nothing off its place, bar nothing too early, forget nothing, and end', () => {
    expect(lawfulJobs(0, 1360)).toBeGreaterThan(1000);
  }, 300_000);
});
