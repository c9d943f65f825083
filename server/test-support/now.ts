/** The day the demo is loaded in tests. */
export const NOW = new Date('2026-11-23T09:00:00Z');
