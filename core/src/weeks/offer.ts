import { itemAt } from '../itemAt';
import type { WeekSpan } from './weeks';
import { PLANNED_WEEKS } from './weeks';

/** A machine that is to be opened in some week: when it is due, how long it takes, where it stands. */
export type ToPlan = {
  id: string;
  span: WeekSpan;
  minutes: number;
  /** Machines of one place are one way there; one without a place shares its way with nobody. */
  place?: string | undefined;
  /** The week somebody put it into: it stays there. */
  fixed?: number | undefined;
};

/** What is to be planned, and how much work a week takes; null where nobody said. */
export type WeeksToPlan = { machines: readonly ToPlan[]; minutesAWeek: number | null };

/*
 * What is weighed against what, in points: least of all after the last day of a due date; then more
 * work than a week takes; then the ways, each worth three weeks that one machine is pulled forward;
 * then weeks before or inside the due dates, the later ones of which may be too late.
 */
const LATE = 1000;
const OVER_AN_HOUR = 100;
const A_WAY = 31;
const INSIDE = 12;
const EARLY = 10;

function costOfWeek({ from, to }: WeekSpan, week: number): number {
  if (week < from) return EARLY * (from - week);
  const inside = Math.min(week, to) - from;
  return INSIDE * inside + LATE * Math.max(0, week - to);
}

/** The ways there are: each place by itself, each machine without one by itself. */
const wayOf = ({ id, place }: ToPlan) => (place === undefined ? `id ${id}` : `place ${place}`);

/** What a plan costs, in points; `weeks` holds the week of each machine, in their order. */
export function costOfPlan(
  { machines, minutesAWeek }: WeeksToPlan,
  weeks: readonly number[],
): number {
  const ways = new Set(machines.map((machine, i) => `${itemAt(weeks, i)} ${wayOf(machine)}`));
  const hoursOver = Array.from({ length: PLANNED_WEEKS }, (_, week) => {
    const own = machines.filter((_machine, i) => weeks[i] === week);
    const minutes = own.reduce((sum, each) => sum + each.minutes, 0);
    return Math.max(0, minutes - (minutesAWeek ?? Infinity)) / 60;
  });
  return (
    machines.reduce((sum, { span }, i) => sum + costOfWeek(span, itemAt(weeks, i)), 0) +
    A_WAY * ways.size +
    OVER_AN_HOUR * hoursOver.reduce((sum, over) => sum + over, 0)
  );
}

/**
 * The weeks of least cost as a mixed integer program, in the text that solvers read: `x_i_w` is 1 where
 * machine i is opened in week w, `y_j_w` where the way j is gone then, `o_w` the hours over. With
 * `relaxed` a machine may lie in parts in several weeks: no plan costs less than that.
 */
export function offerProgram({ machines, minutesAWeek }: WeeksToPlan, relaxed = false): string {
  const all = Array.from({ length: PLANNED_WEEKS }, (_, week) => week);
  const ways = [...new Set(machines.map(wayOf))];
  const x = (i: number, week: number) => `x_${i}_${week}`;
  const y = (way: string, week: number) => `y_${ways.indexOf(way)}_${week}`;
  const over = minutesAWeek === null ? [] : all.map((week) => `o_${week}`);
  const cost = [
    ...machines.flatMap(({ span }, i) =>
      all.map((week) => `${costOfWeek(span, week)} ${x(i, week)}`),
    ),
    ...ways.flatMap((way) => all.map((week) => `${A_WAY} ${y(way, week)}`)),
    ...over.map((each) => `${OVER_AN_HOUR} ${each}`),
  ];
  const once = machines.map(({ fixed }, i) =>
    fixed === undefined ? `${all.map((week) => x(i, week)).join(' + ')} = 1` : `${x(i, fixed)} = 1`,
  );
  const gone = machines.flatMap((machine, i) =>
    all.map((week) => `${y(wayOf(machine), week)} - ${x(i, week)} >= 0`),
  );
  const held = over.map((each, week) => {
    const work = machines.map(({ minutes }, i) => `${minutes / 60} ${x(i, week)}`);
    return `${[...work, `- ${each}`].join(' + ').replaceAll('+ -', '-')} <= ${(minutesAWeek ?? 0) / 60}`;
  });
  const names = machines.flatMap((_, i) => all.map((week) => x(i, week)));
  return [
    'Minimize',
    ` cost: ${cost.join(' + ')}`,
    'Subject To',
    ...[...once, ...gone, ...held].map((row, i) => ` r${i}: ${row}`),
    'Bounds',
    ...[...names, ...ways.flatMap((way) => all.map((week) => y(way, week)))].map(
      (name) => ` 0 <= ${name} <= 1`,
    ),
    ...(relaxed ? [] : ['Binary', ` ${names.join(' ')}`]),
    'End',
  ].join('\n');
}

/** The week of each machine in a solution of the program. */
export function weeksOf({ machines }: WeeksToPlan, valueOf: (name: string) => number): number[] {
  return machines.map((_, i) => {
    const shares = Array.from({ length: PLANNED_WEEKS }, (__, week) => valueOf(`x_${i}_${week}`));
    return shares.indexOf(Math.max(...shares));
  });
}
