import type { JobAct, JobEventType, ToldBy } from './events';
import { isOneOf } from './events';
import { isOfCrank } from './foldPosition';
import type { JobState, LastThere } from './state';

const WORK = [
  ...(['reading.taken', 'adjuster.kept', 'adjuster.locked', 'adjuster.painted'] as const),
  ...(['shim.found', 'shim.fitted'] as const),
];
const OF_WORK: ReadonlySet<JobEventType> = new Set(WORK);

/** The events of the work at one adjuster: each names the last ones there that its phone knew. */
export const isOfWork = isOneOf(...WORK);
export type WorkEvent = ToldBy<typeof isOfWork>;

/**
 * What an act names of the journal as its phone knows it, so that nobody takes what another phone
 * did meanwhile for known: the last event of the crank, or the last ones at the adjuster.
 *
 * @example knownTo(foldJob([]), { type: 'adjuster.kept', adjuster: 'intake.1' }) // { knew: [] }
 */
export function knownTo(
  { crank, lastThere }: Pick<JobState, 'crank' | 'lastThere'>,
  act: JobAct,
): { after?: string | null; knew?: string[] } {
  if (isOfCrank(act.type)) return { after: crank.last };
  if (!OF_WORK.has(act.type) || !('adjuster' in act)) return {};
  return { knew: (lastThere[act.adjuster] ?? []).map(({ id }) => id) };
}

/**
 * Notes an event of the work at an adjuster: it is the last one there now, beside those that its
 * phone had not heard of. Answers these. One that was taken back is noted as well, for others may
 * have followed it; it changes nothing.
 */
export function hear(state: JobState, event: WorkEvent, takenBack = false): LastThere[] {
  const { id, adjuster, knew } = event;
  const last = state.lastThere[adjuster] ?? [];
  // Earlier versions named none before theirs: they are taken to have known all.
  const isKnown = (each: LastThere) => knew?.includes(each.id) ?? true;
  const unheard = last.filter((each) => !isKnown(each));
  const changed =
    firstChanged(last.filter(isKnown)) ?? (!takenBack && isChange(event) ? event.at : undefined);
  state.lastThere[adjuster] = [...unheard, { id, changed }];
  return unheard;
}

/** When the first of these changed the setting, if one did. */
export function firstChanged(those: readonly LastThere[]): string | undefined {
  return those.flatMap(({ changed }) => changed ?? []).sort()[0];
}

/** Whether an event leaves the setting another than it was: its nut is loose, or was. */
export function isChange(event: WorkEvent): boolean {
  return (
    event.type === 'adjuster.locked' ||
    event.type === 'shim.fitted' ||
    (event.type === 'reading.taken' && event.phase === 'set')
  );
}
