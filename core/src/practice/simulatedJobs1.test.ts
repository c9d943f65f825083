import { lawfulJobs } from '../../test-support/lawfulJobs';

describe('a thousand whole jobs on hidden engines, from seed 0 on', () => {
  it('read and set nothing off its place, bar nothing too early, forget nothing, and end', () => {
    expect(lawfulJobs(0, 1000)).toBe(1000);
  }, 300_000);
});
