import { wholeJobs } from '../../test-support/wholeJobs';

describe('a thousand whole jobs on hidden engines, from seed 0 on', () => {
  it('read and set nothing off its place, bar nothing too early, forget nothing, and end', () => {
    const { ran, worst, broken } = wholeJobs(0, 1000);
    expect(broken).toEqual([]);
    expect(worst).toBeGreaterThanOrEqual(0);
    expect(ran).toBe(1000);
  }, 300_000);
});
