import { seedFrom, times } from '../../test-support/times';
import { wholeJobs } from '../../test-support/wholeJobs';

const FROM = seedFrom(0);
const JOBS = times(80, 1000);

describe(`whole jobs on hidden engines, from seed ${FROM} on`, () => {
  it('read and set nothing off its place, bar nothing too early, forget nothing, and end', () => {
    const { ran, worst, broken } = wholeJobs(FROM, JOBS);
    expect(broken).toEqual([]);
    expect(worst).toBeGreaterThanOrEqual(0);
    expect(ran).toBe(JOBS);
  });
});
