import type {
  AdjusterState,
  EngineSheet,
  JobCheck,
  JobEvent,
  JobHead,
  JobSummary,
  Reading,
  Shop,
} from '@longbar/core';
import {
  adjustersOf,
  begunOf,
  foldJob,
  isAskedOf,
  isWhole,
  instructionOf,
  jobSteps,
  lockPairsOf,
  phaseTimes,
  presentStep,
  settingOf,
  standingReading,
  standsUnread,
} from '@longbar/core';
import type { WrittenWords } from './writtenWords';
import { wordsOf } from './writtenWords';

/** What is read of a job without its journal: what it is, measured, and what was written. */
export type JobRead = { summary: JobSummary; check: JobCheck; words: WrittenWords[] };

/** The minutes of work at a job, pauses left out. */
const minutesOf = (state: Parameters<typeof phaseTimes>[0]) =>
  Math.round(phaseTimes(state).reduce((sum, { ms }) => sum + ms, 0) / 60_000);

/** How a job is read: here, or in a process of its own. */
export type Summarise = (...job: Parameters<typeof summarise>) => JobRead | Promise<JobRead>;

/** What is read of a job, from its journal. `now` decides only whether the engine is cold. */
export function summarise(
  head: JobHead,
  sheet: EngineSheet,
  shop: Shop,
  events: readonly JobEvent[],
  now: string,
): JobRead {
  const state = foldJob(events);
  // On the wrong machine, its hours were another's.
  const read = state.abandoned ? undefined : state.hours;
  const hours = read
    ? { date: read.at, hours: read.hours, ...(read.replaced && { replaced: true as const }) }
    : null;
  const adjusters = Object.entries(state.adjusters);
  const asked = adjustersOf(sheet).filter(({ id, entry }) => isAskedOf(entry, state, id));
  const readingsBy = (of: (adjuster: AdjusterState) => Reading | undefined) =>
    Object.fromEntries(
      adjusters.flatMap(([id, adjuster]): [string, Reading][] => {
        const reading = of(adjuster);
        if (!reading) return [];
        const { go, noGo, how } = reading;
        return [[id, { go, noGo, how }]];
      }),
    );
  const leftUnread = adjustersOf(sheet).flatMap(({ id, entry }) =>
    entry.spec && standsUnread(state, id) ? [id] : [],
  );
  const shims = adjusters.flatMap(([id, { shim, fitted }]): [string, number][] => {
    const size = fitted ?? shim;
    return size === undefined ? [] : [[id, size]];
  });
  return {
    summary: {
      hours,
      step: state.signed || state.abandoned ? null : stepOf(),
      set: {
        done: asked.filter(({ id }) => state.adjusters[id]?.painted).length,
        of: asked.length,
      },
      signed: state.signed ?? null,
      ...(!isWhole(state.scope) && { scope: state.scope }),
      ...(state.abandoned && { abandoned: state.abandoned }),
      notes: state.machineNotes.map(({ text, by, at }) => ({ text, by, at })),
    },
    check: {
      hours,
      found: readingsBy(({ found }) => found),
      left: readingsBy(standingReading),
      ...(leftUnread.length > 0 && { leftUnread }),
      ...(state.tag !== undefined && { tag: state.tag }),
      disturbed: state.why?.reason === 'head-work',
      shims: Object.fromEntries(shims),
      lockPairs: lockPairsOf(state),
      ...(state.signed && isWhole(state.scope) && { minutes: minutesOf(state) }),
    },
    words: wordsOf(sheet, state),
  };

  function stepOf(): JobSummary['step'] {
    const setting = settingOf(begunOf({ head, sheet, shop }), state);
    const steps = jobSteps(setting, state, now);
    const place = presentStep(setting, state, steps, instructionOf(setting, state, now));
    return { title: steps[place]?.title ?? '', place, of: steps.length };
  }
}
