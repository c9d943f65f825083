import type { Reading } from '../../gauging/reading';
import { pastOf } from '../../service/checks';
import type { Finding } from '../../service/finding';
import { findingsOf } from '../../service/findings';
import { hoursSince, readAt } from '../../service/jobHours';
import { adjusterAsked } from '../instruction/questions';
import { standingReading } from '../instruction/adjusterStep';
import { hoursOf } from '../journal/hoursOf';
import type { JobSetting } from '../journal/setting';
import type { AdjusterState, JobState } from '../journal/state';

/**
 * What this job's readings tell beside those of the check before, and nobody has looked into: a
 * record says so.
 */
export function unansweredFindings(
  setting: Pick<JobSetting, 'sheet' | 'lastLeft' | 'hourMeter' | 'hoursRight'>,
  state: JobState,
): Finding[] {
  const { sheet, lastLeft: last } = setting;
  const readings = (of: (adjuster: AdjusterState) => Reading | undefined) =>
    Object.fromEntries(
      Object.entries(state.adjusters).flatMap(([id, adjuster]) => {
        const reading = of(adjuster);
        return reading ? [[id, reading]] : [];
      }),
    );
  const found = readings((adjuster) => adjuster.found);
  // Hours that nobody read, or that cannot be, are taken to be those of the check before.
  const hours = hoursOf(setting, state);
  const ran = last?.hours && hours && hoursSince(setting, last.hours, readAt(hours));
  const own = {
    hours: { date: '', hours: ran ?? 0 },
    found,
    left: { ...found, ...readings(standingReading) },
    disturbed: state.why?.reason === 'head-work',
    tag: state.tag,
  };
  const then = last?.hours && { date: '', hours: 0 };
  const before = then ? [{ hours: then, found: last.readings, left: last.readings }] : [];
  const past = pastOf(sheet, [own, ...before], []);
  const answered = new Set(Object.keys(state.answers).map(adjusterAsked));
  const all = findingsOf(past.sheet, past.histories, past.sheet.service?.everyHours ?? 0);
  return all.filter(({ ids }) => !ids.some((id) => answered.has(id)));
}
