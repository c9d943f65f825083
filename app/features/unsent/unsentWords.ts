import { useAppSelector } from '../../state/store';

/** What a phone that is nearly full says, wherever it is said. */
export const NEARLY_FULL =
  'This phone is nearly full. Make room before a long job: what cannot be kept here cannot be recorded.';

/** What is told of what is not sent, in two words; grave where something may be lost. */
export type UnsentWords = { words: string; grave: boolean };

/** What there is to tell of it; undefined where all is sent. */
export function useUnsentWords(): UnsentWords | undefined {
  // Each by itself: what is tapped changes the jobs, and is answered before this is drawn.
  const { count, aside } = useAppSelector((state) => state.jobs.unsent);
  const storeFailed = useAppSelector((state) => state.jobs.storeFailed);
  const { nearlyFull, unpaired } = useAppSelector((state) => state.phone);
  if (storeFailed !== null) return { words: 'Not recorded', grave: true };
  if (aside.length > 0) return { words: `${aside.length} refused`, grave: true };
  if (count > 0) return { words: `${count} unsent`, grave: false };
  if (unpaired) return { words: 'Not paired', grave: false };
  return nearlyFull ? { words: 'Phone nearly full', grave: false } : undefined;
}
