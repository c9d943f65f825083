/** Whether the soak runs, as Jest is set up. */
declare const SOAK: boolean;

/** So many whole jobs are run in each of the two suites of them. */
export const JOBS = SOAK ? 1000 : 250;
