import type { MachineLine, NextDue } from '@longbar/core';
import { adjusterName, formatDay, formatDays, formatHours, isOverdue } from '@longbar/core';

/** What is due in words: the short figure, and when that may be. */
export type DueWords = { figure: string; when: string; overdue: boolean; share: number };

/** Whose drift decides when the check is due; undefined where the maker's interval does. */
export function byDriftOf({
  due,
  recheck,
}: Pick<MachineLine, 'due' | 'recheck'>): string | undefined {
  if (due?.by !== 'drift' || !recheck) return undefined;
  return `By drift of ${adjusterName(recheck.adjuster)}`;
}

/** What is due on `today`, of an interval of so many hours. */
export function dueWords(due: NextDue | null, interval: number | null, today: string): DueWords {
  if (!due)
    return { figure: 'no interval', when: 'its sheet gives none', overdue: false, share: 0 };
  const overdue = isOverdue(due, today);
  const left = due.hoursLeft;
  const share = left === null || !interval ? 0 : Math.max(0, Math.min(1, 1 - left / interval));
  const hours =
    left === null
      ? ''
      : left <= 0
        ? `overdue ${formatHours(-left)} h`
        : `${formatHours(left)} h left`;
  const figure =
    due.by === 'months' && due.date
      ? `${overdue ? 'overdue since' : 'by months:'} ${formatDay(due.date.to)}`
      : due.by === 'break-in'
        ? `break-in: ${hours}`
        : hours || 'hours not read';
  const byMonths = [due.why.replace(/\.$/, ''), hours].filter(Boolean).join('; ');
  return { figure, when: due.by === 'months' ? byMonths : dateWords(due), overdue, share };
}

function dateWords({ date, hoursLeft }: NextDue): string {
  if (!date) return hoursLeft === null ? 'nobody knows when' : 'too few readings to say when';
  return formatDays(date.from, date.to);
}
