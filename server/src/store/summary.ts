import type { EngineSheet, JobEvent, JobHead, JobSummary, Reading, Shop } from '@longbar/core';
import {
  foldJob,
  jobSteps,
  lockPairsOf,
  presentStep,
  settingOf,
  standingReading,
} from '@longbar/core';

/** The summary of a job from its journal. `now` decides only whether the engine is cold. */
export function summarise(
  head: JobHead,
  sheet: EngineSheet,
  shop: Shop,
  events: readonly JobEvent[],
  now: string,
): JobSummary {
  const state = foldJob(events);
  const steps = jobSteps(settingOf({ head, sheet, shop }, state), state, now);
  const place = presentStep(steps);
  const adjusters = Object.entries(state.adjusters);
  const left = adjusters.flatMap(([id, adjuster]) => {
    const standing = standingReading(adjuster);
    return standing ? [[id, { go: standing.go, noGo: standing.noGo, how: standing.how }]] : [];
  });
  const found = adjusters.flatMap(([id, adjuster]) => {
    const was = adjuster.found;
    return was ? [[id, { go: was.go, noGo: was.noGo, how: was.how }]] : [];
  });
  return {
    hours: state.hours ? { date: state.hours.at, hours: state.hours.hours } : null,
    step: { title: steps[place]?.title ?? '', place, of: steps.length },
    set: {
      done: adjusters.filter(([, { painted }]) => painted).length,
      of: sheet.adjusters.reduce(
        (sum, { perCylinder = 1 }) => sum + perCylinder * sheet.firing.order.length,
        0,
      ),
    },
    signed: state.signed ?? null,
    found: Object.fromEntries(found) as Record<string, Reading>,
    ...(state.tag !== undefined && { tag: state.tag }),
    disturbed: state.why?.reason === 'head-work',
    left: Object.fromEntries(left) as Record<string, Reading>,
    shims: Object.fromEntries(
      adjusters.flatMap(([id, { shim, fitted }]) => {
        const size = fitted ?? shim;
        return size === undefined ? [] : [[id, size]];
      }),
    ) as Record<string, number>,
    lockPairs: lockPairsOf(state),
    notes: state.machineNotes.map(({ text, by, at }) => ({ text, by, at })),
  };
}
