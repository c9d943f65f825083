import type { Adjuster, EngineSheet, JobState, Progress } from '@longbar/core';
import {
  adjustersOf,
  cycleDegrees,
  isAskedOf,
  isFinished,
  measureOf,
  readingWithUnit,
  rockersAt,
  standingReading,
  wrap,
} from '@longbar/core';
import type { MapCell } from '../../../drawing/mapCell';
import type { WorkingJob } from '../model/workingJob';

/** The middle of where the crank can be, crank degrees; none while its place is not told. */
export function crankAngle({
  crank,
  setting,
}: Pick<WorkingJob, 'crank' | 'setting'>): number | undefined {
  const { span } = crank;
  return span && wrap(span.from + span.length / 2, cycleDegrees(setting.sheet));
}

type View = {
  /** The adjusters that are lit: what may be set here. */
  lit?: readonly string[] | undefined;
  /** The crank angle to draw; unknown where undefined. */
  at: number | undefined;
  selected?: string | undefined;
};

/** What the map shows of every adjuster. */
export function jobCells(
  { setting, state, crank }: Pick<WorkingJob, 'setting' | 'state' | 'crank'>,
  { lit, at, selected }: View,
): Record<string, MapCell> {
  const adjusters = adjustersOf(setting.sheet);
  const here = new Set(lit);
  const odd = new Set(crank.belief.odd);
  const firm = new Set(
    at === undefined ? [] : rockersAt(adjusters, at, cycleDegrees(setting.sheet)).firm,
  );
  const cells = adjusters.map(({ id, entry }): [string, MapCell] => {
    const onLobe = firm.has(id);
    const progress = progressOf(setting.sheet, state, id);
    const leftOut = !isAskedOf(entry, state, id);
    const look = { here: here.has(id), onLobe, progress, selected: id === selected };
    const cell = odd.has(id) ? { ...look, odd: true } : look;
    const words = wordsFor(cell, at !== undefined, state, { id, entry });
    const says = leftOut ? leftOutWords(progress, words) : words;
    return [id, { ...cell, says }];
  });
  return Object.fromEntries(cells);
}

function progressOf(sheet: EngineSheet, state: JobState, id: string): Progress {
  const own = state.adjusters[id];
  if (!own) return 'none';
  if (own.unset) return 'unset';
  // What was finished by other figures, or by a check, may be asked for anew.
  if (own.painted) return isFinished(sheet, state, id) ? 'painted' : 'found';
  if (own.locked || own.kept) return 'locked';
  return own.found ? 'found' : 'none';
}

const PROGRESS_WORDS: Record<Progress, string> = {
  none: '',
  found: 'read as found',
  locked: 'locked, dab missing',
  painted: 'finished',
  unset: 'cannot be set',
};

/** As the record has it: what was begun before the job was about something else is told all the same. */
function leftOutWords(progress: Progress, words: string): string {
  return progress === 'none' ? 'not part of this job' : `${words}, no part of this job any more`;
}

function wordsFor(
  cell: Omit<MapCell, 'says'>,
  known: boolean,
  state: JobState,
  { id, entry }: Pick<Adjuster, 'id' | 'entry'>,
): string {
  const place = cell.here
    ? 'set here'
    : cell.onLobe
      ? 'on its lobe'
      : known
        ? 'not at this stop'
        : '';
  const reading = standingReading(state.adjusters[id]) ?? state.adjusters[id]?.found;
  const figure = reading ? readingWithUnit(measureOf(entry), reading) : '';
  const odd = cell.odd ? 'the odd one' : '';
  return [place, odd, PROGRESS_WORDS[cell.progress], figure].filter(Boolean).join(', ');
}
