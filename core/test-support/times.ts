/** How thoroughly tests try what is tried at random or step by step, as the run says. */
declare const TRIED: 'some' | 'whole' | 'soak';

/** Whether a run is let go on for long. */
export const soak = TRIED === 'soak';

/** `npm test` tries one of so many of what the whole run tries. */
const ONE_OF = 5;

/** One of how many steps is looked at, where the whole run looks at one of `usual`; of few, each. */
export const oneStepOf = (usual: number): number =>
  ({ some: usual > 1 ? usual * 2 : 1, whole: usual, soak: 1 })[TRIED];

/** How often something is tried: `usual` times by the whole run, `long` times by the soak. */
export const times = (usual: number, long: number): number =>
  Math.ceil({ some: usual / ONE_OF, whole: usual, soak: long }[TRIED]);
