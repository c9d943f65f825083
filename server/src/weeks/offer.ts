import type { Offer } from '@longbar/core';
import type { Database } from '../store/sql/database';
import { readPlan, toPlan } from '../store/planning/weeks';
import type { FindWeeks } from './findWeeks';

/** The best weeks for what nobody has planned yet. Nothing is moved. */
export async function offerWeeks(db: Database, today: string, find: FindWeeks): Promise<Offer> {
  const weeks = await readPlan(db, today);
  const machines = toPlan(weeks);
  if (machines.every(({ fixed }) => fixed !== undefined)) {
    return { moves: [], exact: true, within: null };
  }
  const minutesAWeek = weeks.hoursAWeek === null ? null : weeks.hoursAWeek * 60;
  const { weeks: found, cost, least } = await find({ machines, minutesAWeek });
  const exact = cost <= least + 0.5;
  const moves = machines.flatMap(({ id, fixed }, i) => {
    const week = weeks.weeks[found[i] ?? -1];
    return fixed === undefined && week !== undefined ? [{ machine: id, week }] : [];
  });
  return { moves, exact, within: exact ? null : Math.ceil((100 * (cost - least)) / cost) };
}
