import { times } from '../../test-support/times';
import { wholeJobs } from '../../test-support/wholeJobs';

const JOBS = times(250, 1000);

describe('whole jobs on hidden engines, from seed 0 on', () => {
  it('read and set nothing off its place, bar nothing too early, forget nothing, and end', () => {
    const { ran, worst, broken } = wholeJobs(0, JOBS);
    expect(broken).toEqual([]);
    expect(worst).toBeGreaterThanOrEqual(0);
    expect(ran).toBe(JOBS);
  }, 300_000);
});
