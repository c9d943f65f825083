import { lawfulJobs } from '../../test-support/lawfulJobs';

describe('whole jobs on hidden engines, seeds 1550 to 3099', () => {
  it('read and set nothing off its place, bar nothing too early, forget nothing, and end', () => {
    expect(lawfulJobs(1550, 1550)).toBeGreaterThan(1000);
  }, 300_000);
});
