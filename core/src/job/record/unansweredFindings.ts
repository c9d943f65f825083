import type { EngineSheet } from '../../engine/sheet';
import type { Reading } from '../../gauging/reading';
import { pastOf } from '../../service/checks';
import type { Finding } from '../../service/finding';
import { findingsOf } from '../../service/findings';
import { adjusterAsked } from '../instruction/questions';
import { standingReading } from '../instruction/adjusterStep';
import type { AdjusterState, JobState } from '../journal/state';

type LastCheck = {
  hours: { date: string; hours: number } | null;
  readings: Record<string, Reading>;
} | null;

/**
 * What this job's readings tell beside those of the check before, and nobody has looked into: a
 * record says so. `last` is how each adjuster was left then.
 */
export function unansweredFindings(
  sheet: EngineSheet,
  state: JobState,
  last: LastCheck,
): Finding[] {
  const readings = (of: (adjuster: AdjusterState) => Reading | undefined) =>
    Object.fromEntries(
      Object.entries(state.adjusters).flatMap(([id, adjuster]) => {
        const reading = of(adjuster);
        return reading ? [[id, reading]] : [];
      }),
    );
  const found = readings((adjuster) => adjuster.found);
  // A job whose hours nobody read is taken to be of the same ones.
  const lastHours = last?.hours ?? { date: '', hours: 0 };
  const own = {
    hours: state.hours ? { date: state.hours.at, hours: state.hours.hours } : lastHours,
    found,
    left: { ...found, ...readings(standingReading) },
    disturbed: state.why?.reason === 'head-work',
    tag: state.tag,
  };
  const before = last ? [{ hours: last.hours, found: last.readings, left: last.readings }] : [];
  const past = pastOf(sheet, [...before, own], []);
  const answered = new Set(Object.keys(state.answers).map(adjusterAsked));
  const all = findingsOf(past.sheet, past.histories, past.sheet.service?.everyHours ?? 0);
  return all.filter(({ ids }) => !ids.some((id) => answered.has(id)));
}
