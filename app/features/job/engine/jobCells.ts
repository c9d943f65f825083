import type { JobState, Stop } from '@longbar/core';
import {
  adjustersOf,
  cycleDegrees,
  describeReading,
  isRefused,
  rockersAt,
  standingReading,
} from '@longbar/core';
import type { MapCell } from '../../../drawing/mapCell';
import type { Progress } from '../../../drawing/rockerShapes';
import type { WorkingJob } from '../model/useJob';

/** Where the crank was last known to stand, crank degrees. */
export function crankAngle({
  plan,
  state,
}: Pick<WorkingJob, 'plan' | 'state'>): number | undefined {
  const stop = state.lastStop && !isRefused(plan) ? plan.stops[state.lastStop.stop] : undefined;
  return stop?.at ?? state.foundAt;
}

type View = {
  /** The stop whose adjusters are lit; none lights nothing. */
  stop?: Stop | undefined;
  /** The crank angle to draw; unknown where undefined. */
  at: number | undefined;
  selected?: string | undefined;
};

/** What the map shows of every adjuster. */
export function jobCells(
  { setting, state }: WorkingJob,
  { stop, at, selected }: View,
): Record<string, MapCell> {
  const adjusters = adjustersOf(setting.sheet);
  const here = new Set(stop?.set.map(({ id }) => id));
  const firm = new Set(
    at === undefined ? [] : rockersAt(adjusters, at, cycleDegrees(setting.sheet)).firm,
  );
  const cells = adjusters.map(({ id }): [string, MapCell] => {
    const onLobe = firm.has(id);
    const progress = progressOf(state, id);
    const cell = { here: here.has(id), onLobe, progress, selected: id === selected };
    return [id, { ...cell, says: wordsFor(cell, at !== undefined, state, id) }];
  });
  return Object.fromEntries(cells);
}

function progressOf({ adjusters }: JobState, id: string): Progress {
  const state = adjusters[id];
  if (!state) return 'none';
  if (state.unset) return 'unset';
  if (state.painted) return 'painted';
  if (state.locked || state.kept) return 'locked';
  return state.found ? 'found' : 'none';
}

const PROGRESS_WORDS: Record<Progress, string> = {
  none: '',
  found: 'read as found',
  locked: 'locked, dab missing',
  painted: 'finished',
  unset: 'cannot be set',
};

function wordsFor(
  cell: Omit<MapCell, 'says'>,
  known: boolean,
  state: JobState,
  id: string,
): string {
  const place = cell.here
    ? 'set here'
    : cell.onLobe
      ? 'on its lobe'
      : known
        ? 'not at this stop'
        : '';
  const reading = standingReading(state.adjusters[id]) ?? state.adjusters[id]?.found;
  const figure = reading ? `${describeReading(reading)} mm` : '';
  return [place, PROGRESS_WORDS[cell.progress], figure].filter(Boolean).join(', ');
}
