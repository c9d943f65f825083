/** What is finished before the job is about something else, or the engine runs in between. */
export const FINISHED_FIRST = {
  shims: 'every bucket has its shim',
  reading: 'what was set or backed off is locked and read again',
} as const;
