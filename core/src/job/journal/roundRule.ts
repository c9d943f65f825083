/** What is read once more on the round: the first of each stop, what was changed, or all. */
export const ROUND_RULES = ['first', 'changed', 'all'] as const;
export type RoundRule = (typeof ROUND_RULES)[number];
