/** The band that firing is heard in, Hz, and those that ticks are looked for in. */
export const LISTENED_BANDS = [
  [300, 1100],
  [1600, 2600],
  [2600, 3800],
  [3800, 5400],
  [5400, 9500],
] as const;

/** Points of a profile from one firing to the next. */
export const PROFILE_POINTS = 24;
