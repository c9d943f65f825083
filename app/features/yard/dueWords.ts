import type { MachineLine, NextDue } from '@longbar/core';
import { adjusterName, formatDay, formatDays, formatHours, isOverdue } from '@longbar/core';

/** What is due in words: the short figure, and when that may be. */
export type DueWords = { figure: string; when: string; overdue: boolean; share: number };

/** What drift asks for before the maker's interval is up; undefined where it asks for nothing. */
export function recheckWords(recheck: MachineLine['recheck']): string | undefined {
  if (!recheck) return undefined;
  const at = `${formatHours(recheck.atHours)} h`;
  const which = adjusterName(recheck.adjuster);
  return recheck.hoursLeft > 0
    ? `Check due by ${at} by drift of ${which}`
    : `Check was due at ${at} by drift of ${which}`;
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
        : hours;
  const byMonths = [due.why.replace(/\.$/, ''), hours].filter(Boolean).join('; ');
  return { figure, when: due.by === 'months' ? byMonths : dateWords(due), overdue, share };
}

function dateWords({ date }: NextDue): string {
  if (!date) return 'too few readings to say when';
  return formatDays(date.from, date.to);
}
