import type { PlannedMachine, Weeks } from '@longbar/core';
import { isOverdue, PLANNED_WEEKS, whenDue } from '@longbar/core';

/** Where a machine is dropped that is to be in no week. */
export const IN_NO_WEEK = 'no week';

/** The machines of the weeks: of each, of none yet, of later ones, and those nobody can date. */
export type Sorted = {
  byWeek: ReadonlyMap<string, readonly PlannedMachine[]>;
  open: readonly PlannedMachine[];
  later: readonly PlannedMachine[];
};

export function sortedInto({ weeks, machines }: Weeks): Sorted {
  const inNone = machines.filter(({ planned }) => !planned);
  const isLater = ({ span }: PlannedMachine) => span === null || span.from >= PLANNED_WEEKS;
  return {
    byWeek: new Map(
      weeks.map((week) => [week, machines.filter(({ planned }) => planned?.week === week)]),
    ),
    open: inNone.filter((machine) => !isLater(machine)).sort(byDue),
    later: inNone.filter(isLater),
  };
}

const byDue = (a: PlannedMachine, b: PlannedMachine) =>
  (a.span?.from ?? 0) - (b.span?.from ?? 0) || a.name.localeCompare(b.name);

/** When a machine falls due in words, and whether that is over, or over in the week it stands in. */
export function dueInWords(
  { due, span, planned }: PlannedMachine,
  weeks: readonly string[],
  today: string,
): { says: string; late: boolean } {
  const says = whenDue(due, today);
  if (due && isOverdue(due, today)) return { says, late: true };
  const late = planned !== null && span !== null && weeks.indexOf(planned.week) > span.to;
  return { says: late ? `${says}: too late here` : says, late };
}

/** Minutes of work in the median, and if it goes badly; `unknown` of how many nobody can say. */
export function workOf(machines: readonly PlannedMachine[]) {
  const known = machines.flatMap(({ takes }) => (takes ? [takes] : []));
  return {
    median: known.reduce((sum, { median }) => sum + median, 0),
    late: known.reduce((sum, { late }) => sum + late, 0),
    unknown: machines.length - known.length,
  };
}

/** Who works how many minutes in the median, by name; what nobody does yet under ''. */
export function workByPerson(machines: readonly PlannedMachine[]): [string, number][] {
  const minutes = new Map<string, number>();
  for (const { takes, planned } of machines) {
    const who = planned?.who ?? '';
    minutes.set(who, (minutes.get(who) ?? 0) + (takes?.median ?? 0));
  }
  return [...minutes].sort(([a], [b]) => a.localeCompare(b));
}
