/** The methods of the work: how the crank is brought where the adjusters may be set. */
export const BARRING_METHODS = [
  'two-position',
  'each',
  'mate',
  'watch',
  'fewest',
  'manual',
] as const;
export type BarringMethod = (typeof BARRING_METHODS)[number];
