import type { WeeksToPlan } from '@longbar/core';
import { costOfPlan, offerProgram, weeksOf } from '@longbar/core';
import loadHighs from 'highs';

/** The week of each machine, what that costs, and what no plan can cost less than. */
export type FoundWeeks = { weeks: number[]; cost: number; least: number };

/** How weeks are found: here, or in a process of its own. */
export type FindWeeks = (problem: WeeksToPlan) => Promise<FoundWeeks>;

/** So long it looks, s: after that the best so far stands. */
const LIMIT = 8;

/** The weeks of least cost, by a mixed integer program. It holds up whatever else is done here. */
export const findWeeks: FindWeeks = async (problem) => {
  const highs = await loadHighs();
  const quietly = { output_flag: false };
  const exactly = { time_limit: LIMIT, mip_rel_gap: 0, mip_abs_gap: 0.5 };
  const best = highs.solve(offerProgram(problem), { ...quietly, ...exactly });
  const valueOf = (name: string) => {
    const column = best.Columns[name];
    return column && 'Primal' in column ? column.Primal : 0;
  };
  const weeks = weeksOf(problem, valueOf);
  const cost = costOfPlan(problem, weeks);
  if (best.Status === 'Optimal') return { weeks, cost, least: cost };
  const relaxed = highs.solve(offerProgram(problem, true), quietly);
  return { weeks, cost, least: Math.min(cost, relaxed.ObjectiveValue) };
};
