import type { CompanyMachine, CompanyShop, Urgency } from '@longbar/core';
import { comparePressing, formatDay, workHours } from '@longbar/core';

const plural = new Intl.PluralRules('en');
const whole = new Intl.NumberFormat('en');

/** So many of something: "1 shop", "40 shops". */
export function countWords(count: number, one: string): string {
  return `${whole.format(count)} ${one}${plural.select(count) === 'one' ? '' : 's'}`;
}

/** How many machines of a shop are how pressing. */
export function countOf({ machines }: Pick<CompanyShop, 'machines'>, urgency: Urgency): number {
  return machines.filter((machine) => machine.urgency === urgency).length;
}

/** What is due at a shop, the most pressing first. */
export function pressingOf(
  { machines }: Pick<CompanyShop, 'machines'>,
  today: string,
): CompanyMachine[] {
  return machines
    .filter(({ urgency }) => urgency === 'overdue' || urgency === 'soon')
    .sort((a, b) => comparePressing(a.due, b.due, today));
}

/** What drift asks for at a shop before the maker's interval is up. */
export function byDrift({ machines }: Pick<CompanyShop, 'machines'>): CompanyMachine[] {
  return machines.filter(({ due, recheck }) => due?.by === 'drift' && recheck !== null);
}

/** A week in which something is planned at a shop. */
export type PlannedWeek = { week: string; says: string; isOver: boolean };

/** The weeks in which something is planned at a shop, and whether that is more than it does in one. */
export function plannedWeeks(
  { planned, hoursAWeek }: Pick<CompanyShop, 'planned' | 'hoursAWeek'>,
  weeks: readonly string[],
): PlannedWeek[] {
  return weeks.flatMap((week, i) => {
    const minutes = planned[i] ?? 0;
    if (minutes === 0) return [];
    const of = hoursAWeek === null ? '' : ` of ${workHours(hoursAWeek * 60)}`;
    const isOver = hoursAWeek !== null && minutes > hoursAWeek * 60;
    return [{ week: `Week of ${formatDay(week)}`, says: `${workHours(minutes)}${of}`, isOver }];
  });
}
