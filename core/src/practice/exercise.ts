/** What can be practised, and how hard it is. */
export const EXERCISES = ['where', 'set', 'read', 'whole', 'fault'] as const;
export type Exercise = (typeof EXERCISES)[number];
export const LEVELS = [1, 2, 3] as const;
export type Level = (typeof LEVELS)[number];
