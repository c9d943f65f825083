/** How thoroughly what is tried at random or step by step is tried, as the run says. */
declare const TRIED: 'short' | 'whole' | 'soak';

/** Whether a run is let go on for long. */
export const soak = TRIED === 'soak';

const A_DAY = 86_400_000;

/**
 * From which seed on made-up jobs are tried: the same each time, and in the soak other ones each day.
 * What breaks a law is told by its seed.
 */
export const seedFrom = (usual: number): number =>
  soak ? usual + 1_000_000 * (Math.floor(Date.now() / A_DAY) % 1000) : usual;

/** How often something is tried: `usual` times, a fifth of that by a short run, `long` by the soak. */
export const times = (usual: number, long: number): number =>
  Math.ceil({ short: usual / 5, whole: usual, soak: long }[TRIED]);
