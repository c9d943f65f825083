import type { JobAct } from '../journal/events';
import type { JobState } from '../journal/state';

/**
 * What is written down where the marks turn out not to be where the sheet has them: what was read
 * and set by them so far is read again on the round, and the next at this machine is told.
 *
 * @example marksDoubted({ adjusters: {} }).map(({ type }) => type) // ['marks.doubted', 'machine.noted']
 */
export function marksDoubted({ adjusters }: Pick<JobState, 'adjusters'>): JobAct[] {
  const done = Object.entries(adjusters).filter(
    ([, { painted, kept, locked, fitted }]) => painted ?? kept ?? locked ?? fitted !== undefined,
  );
  return [
    { type: 'marks.doubted' },
    ...done.map(([adjuster]): JobAct => ({ type: 'adjuster.doubted', adjuster })),
    {
      type: 'machine.noted',
      text: 'The marks were not where the sheet has them: find the crank by its rockers.',
    },
  ];
}
