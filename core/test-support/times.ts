/** How thoroughly what is tried at random or step by step is tried, as the run says. */
declare const TRIED: 'short' | 'whole' | 'soak';

/** Whether a run is let go on for long. */
export const soak = TRIED === 'soak';

/** How often something is tried: `usual` times, a fifth of that by a short run, `long` by the soak. */
export const times = (usual: number, long: number): number =>
  Math.ceil({ short: usual / 5, whole: usual, soak: long }[TRIED]);
