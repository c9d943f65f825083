import { hotUntil } from '@longbar/core';
import type { WorkingJob } from '../model/workingJob';
import { useClock } from '../model/useJob';

/** Minutes that hot figures hold yet, none where the engine is not set hot or not shut down. */
export function useHotLeft({ setting, state }: WorkingJob): number | undefined {
  const clock = useClock(15_000);
  const until = hotUntil(setting.sheet, state);
  if (until === undefined) return undefined;
  // The clock is read now and then only; what was just recorded tells the time as well.
  const last = state.standing.last?.at ?? clock;
  const now = Math.max(Date.parse(clock), Date.parse(last));
  return Math.ceil((until - now) / 60_000);
}
