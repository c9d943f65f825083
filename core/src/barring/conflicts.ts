import type { EngineSheet } from '../engine/sheet';
import type { ChartFlag } from './barringPlan';
import { planManual } from './manual';
import { isRefused } from '../result';

/** An answer to a conflict between the manual's chart and the model, kept in the sheet. */
export type ChartAnswer = NonNullable<EngineSheet['chartAnswers']>[number];

export type ChartConflict = ChartFlag & { answer?: ChartAnswer };

/**
 * Every conflict of the manual's chart with the model, with the answer given to it, if any.
 * The manual stands either way: an answer says that somebody looked at the page again.
 */
export function chartConflicts(sheet: EngineSheet): ChartConflict[] {
  const plan = planManual(sheet, { method: 'manual' });
  if (isRefused(plan)) return [];
  return (plan.flags ?? []).map((flag) => {
    const answer = sheet.chartAnswers?.find(({ id, why }) => id === flag.id && why === flag.why);
    return { ...flag, ...(answer && { answer }) };
  });
}

/** The conflicts nobody has answered: to be settled before a job goes by the chart. */
export function openConflicts(sheet: EngineSheet): ChartConflict[] {
  return chartConflicts(sheet).filter(({ answer }) => !answer);
}
